import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { Place, Spot, Zone } from '@calm/contract';
import type { ShownStack } from '@calm/domain';
import { useMemo, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Ball } from '../../../parts/lots/Ball';
import { useFormats } from '../../../parts/format/useFormats';
import { keepingAt, keepingWords, SHAPES } from '../coldWords';
import { useRovingStops } from '../../../parts/layout/useRovingStops';
import styles from './WalkIn.module.css';
import type { WalkInNow } from '../useWalkIn';
import { spotWords } from '../spotWords';

/** A tap is no drag until it has gone this far, px. */
const DRAG_FROM_PX = 8;

/** What hands are doing at the racks, and when. */
interface Hands {
  readonly atMs: number;
  readonly inHand: ShownStack | null;
  readonly mayMove: boolean;
  readonly onTake: (shown: ShownStack | null) => void;
  readonly onPut: (shown: ShownStack, to: Spot) => void;
}

/** Which trays are in hand. */
export const stackKey = ({ stack: { lotId, productId, spot } }: ShownStack): string =>
  `${lotId}/${productId}/${spot.placeId}/${spot.zone}/${spot.position}`;

/**
 * A room as it is seen from its door: its racks side by side, each with its positions from the top down. Trays
 * are dragged, or tapped and then put down where a tap says.
 */
export function RackView({
  now,
  place,
  atMs,
  inHand,
  mayMove,
  onTake,
  onPut,
}: Hands & {
  readonly now: WalkInNow;
  readonly place: Place;
}) {
  const { t } = useTranslation();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }),
  );
  const room = useRef<HTMLDivElement>(null);
  const walk = useRovingStops(room, 'button');
  const here = useMemo(
    () => now.racks.shown.filter(({ stack }) => stack.spot.placeId === place.id),
    [now, place],
  );
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ screenReaderInstructions: { draggable: t('walkIn.dragHow') } }}
      onDragEnd={({ active, over }) => {
        const shown = here.find((each) => stackKey(each) === active.id);
        const to = over?.data.current as Spot | undefined;
        if (shown && to) onPut(shown, to);
      }}
    >
      <div
        ref={room}
        className={styles['room']}
        role="group"
        aria-label={place.name}
        onKeyDown={walk}
      >
        {place.zones.map((zone) => (
          <RackOf
            key={zone.name}
            now={now}
            place={place}
            zone={zone}
            here={here}
            atMs={atMs}
            inHand={inHand}
            mayMove={mayMove}
            onTake={onTake}
            onPut={onPut}
          />
        ))}
      </div>
    </DndContext>
  );
}

function RackOf({
  now,
  place,
  zone,
  here,
  ...rest
}: Hands & {
  readonly now: WalkInNow;
  readonly place: Place;
  readonly zone: Zone;
  readonly here: readonly ShownStack[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const probe = now.cold.probes.find(
    (each) => each.placeId === place.id && each.zone === zone.name,
  );
  const last = now.cold.last.find(({ probeId }) => probeId === probe?.id);
  const trays = here
    .filter(({ stack }) => stack.spot.zone === zone.name)
    .reduce((sum, { stack }) => sum + stack.trays, 0);
  return (
    <section className={styles['rack']} aria-label={t('walkIn.rack', { zone: zone.name })}>
      <header>
        <h2>{zone.name}</h2>
        <b>{last ? f.temperature(last.airC) : ''}</b>
        <span className="quiet">
          {t('walkIn.trays', { trays, of: zone.positions * place.traysAPosition })}
        </span>
      </header>
      <ol>
        {Array.from({ length: zone.positions }, (_, i) => (
          <Slot
            key={i}
            now={now}
            place={place}
            spot={{ placeId: place.id, zone: zone.name, position: i + 1 }}
            stacks={here.filter(
              ({ stack: { spot } }) => spot.zone === zone.name && spot.position === i + 1,
            )}
            {...rest}
          />
        ))}
      </ol>
    </section>
  );
}

function Slot({
  now,
  place,
  spot,
  stacks,
  atMs,
  inHand,
  mayMove,
  onTake,
  onPut,
}: Hands & {
  readonly now: WalkInNow;
  readonly place: Place;
  readonly spot: Spot;
  readonly stacks: readonly ShownStack[];
}) {
  const { t } = useTranslation();
  const { setNodeRef, isOver } = useDroppable({ id: spotWords(spot), data: spot });
  const trays = stacks.reduce((sum, { stack }) => sum + stack.trays, 0);
  const isTarget = inHand !== null && !stacks.includes(inHand);
  const isFull = trays >= place.traysAPosition;
  return (
    <li
      ref={setNodeRef}
      className={styles['slot']}
      data-over={isOver}
      data-full={trays > place.traysAPosition}
    >
      <span className={styles['number']} aria-hidden="true">
        {spot.position}
      </span>
      {stacks.map((shown) => (
        <Tray
          key={stackKey(shown)}
          now={now}
          shown={shown}
          atMs={atMs}
          isInHand={inHand !== null && stackKey(inHand) === stackKey(shown)}
          mayMove={mayMove}
          onTake={onTake}
        />
      ))}
      {trays > place.traysAPosition && (
        <b className={styles['over']}>
          {t('walkIn.overfull', { trays, of: place.traysAPosition })}
        </b>
      )}
      {isTarget && mayMove && !isFull && (
        <button type="button" className={styles['putHere']} onClick={() => onPut(inHand, spot)}>
          {t('walkIn.putHere', { spot: spotWords(spot) })}
        </button>
      )}
    </li>
  );
}

function Tray({
  now,
  shown,
  atMs,
  isInHand,
  mayMove,
  onTake,
}: {
  readonly now: WalkInNow;
  readonly shown: ShownStack;
  readonly atMs: number;
  readonly isInHand: boolean;
  readonly mayMove: boolean;
  readonly onTake: (shown: ShownStack | null) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { lot, product, stack, isOnRecord } = shown;
  const { setNodeRef, attributes, listeners, transform, isDragging } = useDraggable({
    id: stackKey(shown),
    disabled: !mayMove || !lot.lot,
  });
  const cold = now.coldOf(shown);
  const keeping = keepingAt(cold, atMs);
  const words = keepingWords(t, f, cold, atMs);
  const label = t('walkIn.stack', {
    code: lot.code,
    product: product.name,
    count: stack.trays,
    balls: stack.balls,
    spot: spotWords(stack.spot),
    words,
  });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={styles['tray']}
      aria-label={label}
      aria-pressed={isInHand}
      aria-describedby={attributes['aria-describedby']}
      data-planned={!isOnRecord}
      data-keeping={keeping}
      data-first={now.first.has(stack.lotId)}
      data-dragging={isDragging}
      style={transform ? { translate: `${transform.x}px ${transform.y}px` } : undefined}
      {...listeners}
      onClick={() => onTake(isInHand ? null : shown)}
    >
      <Ball shape={SHAPES[keeping]} tone={keeping === 'open' ? 'oat' : 'cold'} />
      <span className={styles['code']}>{lot.code}</span>
      <b>{f.count(stack.balls)}</b>
      <span className={styles['hours']} data-keeping={keeping}>
        {now.first.has(stack.lotId) ? t('walkIn.useFirst') : words}
      </span>
    </button>
  );
}
