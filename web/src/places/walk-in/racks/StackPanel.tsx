import type { ShownStack } from '@calm/domain';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TextCell } from '../../../parts/fields/TextCell';
import { windowWords } from '../coldWords';
import { ColdReason } from './ColdReason';
import { spotWords } from '../spotWords';
import { StackAdvice } from './StackAdvice';
import type { Trays } from './useTrays';
import type { WalkInNow } from '../useWalkIn';
import styles from './WalkIn.module.css';

/** The trays in hand: what they are, how long they keep, and what can be done with them. */
export function StackPanel({
  now,
  shown,
  trays,
  mayMove,
  onClose,
}: {
  readonly now: WalkInNow;
  readonly shown: ShownStack;
  readonly trays: Trays;
  readonly mayMove: boolean;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [isDiscarding, setDiscarding] = useState(false);
  const { lot, product, stack, isOnRecord } = shown;
  const cold = now.coldOf(shown);
  const isFirst = now.first.has(stack.lotId);
  const since = stack.legs.at(-1)?.fromMs;
  const inAll = now.racks.shown
    .filter((each) => each.lot === lot && each.product === product)
    .map((each) => each.stack)
    .reduce(
      (sum, { trays: some, balls }) => ({ trays: sum.trays + some, balls: sum.balls + balls }),
      { trays: 0, balls: 0 },
    );
  return (
    <section className={styles['panel']} aria-label={t('walkIn.inHand')}>
      <h2>
        {lot.code} <span className="quiet">{product.name}</span>
      </h2>
      <p>
        {t('walkIn.stands', {
          count: stack.trays,
          balls: stack.balls,
          spot: spotWords(stack.spot),
        })}{' '}
        <span className="quiet">
          {isOnRecord && since !== undefined
            ? t('walkIn.since', { at: f.moment(since) })
            : t('walkIn.notOnRecord')}
        </span>
      </p>
      {cold && (
        <>
          <p>
            <b>{windowWords(t, f, cold)}</b>
          </p>
          <ColdReason now={now} shown={shown} lot={cold} />
          {cold.coreC !== null && cold.rise !== null && (
            <p className="quiet">
              {t('walkIn.inside', { core: f.temperature(cold.coreC), rise: f.times(cold.rise) })}
            </p>
          )}
        </>
      )}
      {lot.lot && <StackAdvice board={now.board} boardLot={lot} lot={lot.lot} />}
      {mayMove && lot.lot && (
        <>
          <p>{t('walkIn.tapWhere')}</p>
          <div className={styles['actions']}>
            {!isOnRecord && (
              <Button variant="contained" onClick={() => trays.putAway([shown])}>
                {t('walkIn.itIsThere', { spot: spotWords(stack.spot) })}
              </Button>
            )}
            <Button variant="outlined" onClick={() => trays.putFirst(shown, !isFirst)}>
              {t(isFirst ? 'walkIn.notFirstDo' : 'walkIn.firstDo')}
            </Button>
            <Button variant="outlined" color="error" onClick={() => setDiscarding(!isDiscarding)}>
              {t('walkIn.discardDo')}
            </Button>
            <Button onClick={onClose}>{t('walkIn.putDown')}</Button>
          </div>
        </>
      )}
      {isDiscarding && (
        <Discard
          shown={shown}
          inAll={inAll}
          onDiscard={(count, why) => {
            trays.discard(shown, count, inAll, why);
            setDiscarding(false);
            onClose();
          }}
        />
      )}
      <p>
        <Link to={`/${now.board.house}/mix/${lot.date}/${lot.product.slug}`}>
          {t('walkIn.sheet')}
        </Link>
      </p>
      <Caution about="cold-room" />
    </section>
  );
}

/** Thrown away: how much and why, by whoever is responsible. */
function Discard({
  shown: { stack, lot },
  inAll,
  onDiscard,
}: {
  readonly shown: ShownStack;
  readonly inAll: { readonly trays: number };
  readonly onDiscard: (trays: number, why: string) => void;
}) {
  const { t } = useTranslation();
  const [count, setCount] = useState(stack.trays);
  const [why, setWhy] = useState('');
  return (
    <div className={styles['discard']}>
      <p>{t('walkIn.discardWho')}</p>
      <LabelledCell
        name={t('walkIn.discardTrays')}
        unit=""
        value={count}
        rule={{ min: 1, max: inAll.trays, decimals: 0 }}
        step={1}
        onCommit={setCount}
      />
      {inAll.trays > stack.trays && (
        <Button onClick={() => setCount(inAll.trays)}>
          {t('walkIn.discardAll', { count: inAll.trays })}
        </Button>
      )}
      <TextCell
        label={t('walkIn.discardWhy')}
        value={why}
        most={300}
        mayBeEmpty
        onCommit={setWhy}
      />
      <Button variant="contained" color="error" onClick={() => onDiscard(count, why)}>
        {t('walkIn.discardSure', { code: lot.code, count })}
      </Button>
    </div>
  );
}
