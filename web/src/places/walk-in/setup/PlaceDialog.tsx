import type { Place, PlaceContent, Zone } from '@calm/contract';
import { USUAL_ROOM, USUAL_UNDER_COUNTER, type Room } from '@calm/core';
import { traysIn, usualRoomFor } from '@calm/domain';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { useRetirement } from '../../../state/api/useRetirement';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import { AirByHourFields } from './AirByHourFields';
import styles from './PlaceDialog.module.css';
import { useAddPlaceMutation, useChangePlaceMutation, useRemovePlaceMutation } from '../walkInApi';

const NEW_PLACE: PlaceContent = {
  name: '',
  zones: [{ name: 'inside', positions: 6, warmerC: 0 }],
  traysAPosition: 2,
  tubs: 0,
  room: USUAL_UNDER_COUNTER,
  airByHour: [],
};
/** A place's room as its size suggests, with the set point and the defrost that were chosen. */
const sized = ({ setC, defrost }: Room, of: PlaceContent): Room => ({
  ...usualRoomFor(traysIn(of)),
  setC,
  defrost,
});
const POSITIONS = { min: 0, max: 400, decimals: 0 };
const OFFSET = { min: -10, max: 10, decimals: 1 };

/** A place where dough stands: its zones, what they hold, and what its thermostat holds. */
export function PlaceDialog({
  place,
  onClose,
}: {
  /** Null makes a new one. */
  readonly place: Place | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const [add] = useAddPlaceMutation();
  const [change] = useChangePlaceMutation();
  const [remove] = useRemovePlaceMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    PlaceContent,
    Place
  >({
    house: useHouse(),
    record: place,
    contentOf: plainContent,
    of: 'cold-place',
    start: () => NEW_PLACE,
    writes: { add, change, remove },
    retirement: useRetirement('places'),
    say: {
      kept: ({ name }) => t('walkIn.setup.placeKept', { name }),
      removed: ({ name }) => t('retired.done', { name }),
    },
    onClose,
  });
  const names = content.zones.map(({ name }) => name.trim().toLowerCase());
  const isTwice = new Set(names).size < names.length;
  return (
    <RecordDialog
      title={place ? place.name : t('walkIn.setup.addPlace')}
      wrong={isTwice ? t('walkIn.setup.zoneTwice') : wrong}
      onKeep={() => {
        if (isTwice) return;
        const zones = content.zones.map((zone) => ({ ...zone, name: zone.name.trim() }));
        const room = content.room && {
          // How a new one warms and cools begins from its size.
          ...(place?.room ? content.room : sized(content.room, content)),
          zonesC: Object.fromEntries(zones.map(({ name, warmerC }) => [name, warmerC])),
        };
        keep({ ...content, name: content.name.trim(), zones, room });
      }}
      onRemove={place ? takeOut : undefined}
      isRetired
      isRestored={isRestored}
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('walkIn.setup.place')}
        value={content.name}
        onChange={(typed) => put({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <ZoneFields zones={content.zones} onChange={(zones) => put({ zones })} />
      <div className={styles['pair']}>
        <LabelledCell
          name={t('walkIn.setup.traysAPosition')}
          unit=""
          value={content.traysAPosition}
          rule={{ min: 1, max: 50, decimals: 0 }}
          step={1}
          onCommit={(traysAPosition) => put({ traysAPosition })}
        />
        <LabelledCell
          name={t('walkIn.setup.tubs')}
          unit=""
          value={content.tubs}
          rule={POSITIONS}
          step={1}
          onCommit={(tubs) => put({ tubs })}
        />
      </div>
      <FormControlLabel
        control={
          <Checkbox
            sx={{ width: 48, height: 48 }}
            checked={content.room !== null}
            onChange={(event) => put({ room: event.target.checked ? USUAL_ROOM : null })}
          />
        }
        label={t('walkIn.setup.isCooled')}
      />
      {content.room ? (
        <RoomFields room={content.room} onChange={(room) => put({ room })} />
      ) : (
        <AirByHourFields day={content.airByHour} onChange={(airByHour) => put({ airByHour })} />
      )}
    </RecordDialog>
  );
}

function ZoneFields({
  zones,
  onChange,
}: {
  readonly zones: readonly Zone[];
  readonly onChange: (zones: Zone[]) => void;
}) {
  const { t } = useTranslation();
  const putZone = (at: number, to: Partial<Zone>) =>
    onChange(zones.map((zone, i) => (i === at ? { ...zone, ...to } : zone)));
  return (
    <>
      {zones.map((zone, i) => (
        <div key={i} className={styles['zone']}>
          <TextField
            required
            size="small"
            label={t('walkIn.setup.zoneName')}
            value={zone.name}
            onChange={(typed) => putZone(i, { name: typed.target.value })}
            slotProps={{ htmlInput: { maxLength: 40 } }}
          />
          <Button
            disabled={zones.length === 1}
            aria-label={t('walkIn.setup.dropZoneOf', { name: zone.name })}
            onClick={() => onChange(zones.filter((_, at) => at !== i))}
          >
            {t('walkIn.setup.dropZone')}
          </Button>
          <LabelledCell
            name={t('walkIn.setup.positions')}
            unit=""
            value={zone.positions}
            rule={POSITIONS}
            step={1}
            onCommit={(positions) => putZone(i, { positions })}
          />
          <LabelledCell
            name={t('walkIn.setup.warmer')}
            measure="tempDifference"
            value={zone.warmerC}
            rule={OFFSET}
            step={0.1}
            onCommit={(warmerC) => putZone(i, { warmerC })}
          />
        </div>
      ))}
      <Button onClick={() => onChange([...zones, { name: '', positions: 6, warmerC: 0 }])}>
        {t('walkIn.setup.addZone')}
      </Button>
    </>
  );
}

/** What its thermostat holds, and whether its coil is defrosted by a timer. */
function RoomFields({
  room,
  onChange,
}: {
  readonly room: Room;
  readonly onChange: (room: Room) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const putRoom = (to: Partial<Room>) => onChange({ ...room, ...to });
  return (
    <>
      <LabelledCell
        name={t('walkIn.setup.set')}
        measure="temp"
        value={room.setC}
        rule={{ min: -5, max: 20, decimals: 1 }}
        step={0.5}
        onCommit={(setC) => putRoom({ setC })}
      />
      <FormControlLabel
        control={
          <Checkbox
            sx={{ width: 48, height: 48 }}
            checked={room.defrost !== null}
            onChange={(event) =>
              putRoom({ defrost: event.target.checked ? USUAL_ROOM.defrost : null })
            }
          />
        }
        label={t('walkIn.setup.thaws')}
      />
      {room.defrost && (
        <div className={styles['pair']}>
          <LabelledCell
            name={t('walkIn.setup.thawEvery')}
            unit={f.symbols.h}
            value={room.defrost.everyH}
            rule={{ min: 1, max: 72, decimals: 1 }}
            step={1}
            onCommit={(everyH) => room.defrost && putRoom({ defrost: { ...room.defrost, everyH } })}
          />
          <LabelledCell
            name={t('walkIn.setup.thawTakes')}
            unit={f.symbols.min}
            value={room.defrost.minutes}
            rule={{ min: 1, max: 120, decimals: 0 }}
            step={1}
            onCommit={(minutes) =>
              room.defrost && putRoom({ defrost: { ...room.defrost, minutes } })
            }
          />
        </div>
      )}
    </>
  );
}
