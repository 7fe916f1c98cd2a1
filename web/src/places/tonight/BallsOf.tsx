import { MINUTE_MS, type PullWave } from '@calm/core';
import type { BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Ball, type Silhouette } from '../../parts/lots/Ball';
import { useFormats } from '../../parts/format/useFormats';
import { formatSurePercent } from '../../parts/format/odds';
import { usePermission } from '../../state/api/usePermission';
import { useCursor } from '../../state/time/useCursor';
import styles from './Balls.module.css';
import { NeedChart } from './NeedChart';
import { whyNoWave, type ServiceBalls } from './serviceBalls';
import { useServiceOdds } from '../../workers/engine/useServiceOdds';
import { usePull } from './usePull';

/** A wave is offered this long before it is due, minutes. */
const EARLY_MIN = 45;

/** One product: how many balls are ready and how many will be needed, and the wave to pull next. */
export function BallsOf({
  house,
  lot,
  balls,
}: {
  readonly house: string;
  readonly lot: BoardLot;
  readonly balls: ServiceBalls;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { product, standing, need } = balls;
  const odds = useServiceOdds(balls.chances);
  const states = [
    ['warming', 'dome', 'oat', standing.warming],
    ['cold', 'low', 'cold', standing.cold],
    ['notYet', 'low', 'quiet', standing.notYet],
    ['past', 'slumped', 'quiet', standing.past],
  ] as const satisfies readonly (readonly [string, Silhouette, string, number])[];
  return (
    <section className={styles['balls']} aria-label={product.name}>
      <div className={styles['name']}>
        <h2>{product.name}</h2>
        <span className="quiet">
          {t('tonight.balls.needed', { count: Math.round(need) })}
          {odds !== null && (
            <>
              <br />
              {t('tonight.balls.enough', { odds: formatSurePercent(f, odds) })}
            </>
          )}
        </span>
      </div>
      <p className={styles['ready']}>
        <Ball shape="full" tone="oat" />
        <b>{f.count(Math.round(standing.ready))}</b> <span>{t('tonight.balls.ready')}</span>
      </p>
      <ul className={styles['states']}>
        {states.map(([name, shape, tone, count]) => (
          <li key={name} data-none={Math.round(count) === 0} data-state={name}>
            <Ball shape={shape} tone={tone} />
            <b>{f.count(Math.round(count))}</b> <span>{t(`tonight.balls.${name}`)}</span>
          </li>
        ))}
      </ul>
      <div className={styles['chart']}>
        <NeedChart balls={balls} />
      </div>
      {balls.unmade > 0 ? (
        <p className={styles['none']} role="status">
          {t('tonight.balls.unmade', { count: balls.unmade })}{' '}
          <Link to={`/${house}/mix/${lot.date}/${lot.product.slug}`}>
            {t('tonight.balls.startIt')}
          </Link>
        </p>
      ) : (
        <NextPull house={house} lot={lot} balls={balls} />
      )}
    </section>
  );
}

/** The next wave: one big button, with what it brings and when. */
function NextPull({
  house,
  lot,
  balls,
}: {
  readonly house: string;
  readonly lot: BoardLot;
  readonly balls: ServiceBalls;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, isNow } = useCursor();
  const mayMark = usePermission('mark');
  const pull = usePull(house);
  const { waves, doorsMs, standing } = balls;
  const [wave, after] = waves;
  if (!lot.lot || !balls.pull || standing.cold + standing.notYet < 1) {
    return <p className={styles['none']}>{t('tonight.pull.none')}</p>;
  }
  if (!wave) {
    const at = f.time(toFive(atMs + balls.temperMin * MINUTE_MS));
    return <p className={styles['none']}>{t(`tonight.pull.${whyNoWave(balls, atMs)}`, { at })}</p>;
  }
  const dueMs = toFive(doorsMs + wave.pullMin * MINUTE_MS);
  const isSoon = dueMs - atMs < EARLY_MIN * MINUTE_MS;
  const lateMin = Math.round((atMs - dueMs) / MINUTE_MS);
  const words = waveWords(wave);
  return (
    <div className={styles['pull']}>
      {isNow && isSoon && mayMark && (
        <Button
          variant="contained"
          size="large"
          className={styles['button'] ?? ''}
          onClick={() => pull(lot, balls, wave)}
        >
          {t('tonight.pull.do', words)}
        </Button>
      )}
      <p>
        <b>{isSoon ? '' : `${t('tonight.pull.next', { ...words, at: f.time(dueMs) })} `}</b>
        {isSoon &&
          t(lateMin > 0 ? 'tonight.pull.late' : 'tonight.pull.due', {
            at: f.time(dueMs),
            by: f.duration(lateMin),
          })}{' '}
        <span className="quiet">
          {t('tonight.pull.opens', {
            at: f.time(toFive(Math.max(atMs, dueMs) + balls.temperMin * MINUTE_MS)),
          })}
          {after &&
            ` ${t('tonight.pull.then', { ...waveWords(after), at: f.time(toFive(doorsMs + after.pullMin * MINUTE_MS)) })}`}
        </span>
      </p>
    </div>
  );
}

/** Nobody pulls to the minute: five minutes earlier is as good. */
const toFive = (ms: number) => Math.floor(ms / (5 * MINUTE_MS)) * 5 * MINUTE_MS;

const waveWords = ({ trays, balls }: PullWave) => ({ count: trays, balls });
