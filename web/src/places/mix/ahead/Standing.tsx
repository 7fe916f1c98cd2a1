import { HOUR_MS, stageKey } from '@calm/core';
import type { BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useMark } from '../../../state/outbox/useMark';
import { useCursor } from '../../../state/time/useCursor';
import styles from './Ahead.module.css';

/** Since when a pre-ferment stands, and from when until when it may go into the bowl by its route. */
export function Standing({
  house,
  boardLot,
}: {
  readonly house: string;
  readonly boardLot: BoardLot;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const { stages, lot } = boardLot;
  const work = stages.find(({ kind, key }) => kind === 'work' && key === 'preferment-mix');
  const [rest] = stages.flatMap((stage) =>
    stage.kind === 'rest' && stage.key === 'preferment' ? stage : [],
  );
  const title = t('work.preferment-mix');
  const tick = useMark(house, lot, 0, work ? stageKey(work) : '', title);
  if (!rest) return null;
  const sinceMs = tick.doneAt === null ? null : Date.parse(tick.doneAt);
  const fromMs = (sinceMs ?? rest.startMs) + rest.hours.least * HOUR_MS;
  const untilMs = (sinceMs ?? rest.startMs) + rest.hours.most * HOUR_MS;
  const words = {
    place: rest.place,
    from: f.moment(fromMs),
    until: f.moment(untilMs),
    at: f.moment(rest.startMs),
  };
  const state = nowMs < fromMs ? 'young' : nowMs > untilMs ? 'past' : 'ready';
  return (
    <section className={styles['standing']} data-state={sinceMs === null ? 'none' : state}>
      {sinceMs === null ? (
        <p>{t('mix.ahead.planned', words)}</p>
      ) : (
        <p role="status">
          <b>
            {t('mix.ahead.since', {
              at: f.moment(sinceMs),
              for: f.duration(Math.max(0, nowMs - sinceMs) / 60_000),
            })}
          </b>{' '}
          {t(`mix.ahead.when.${state}`, words)}
        </p>
      )}
    </section>
  );
}

/** Begins the clock of what was stirred; nothing once it stands. */
export function StandsNow({
  house,
  boardLot: { stages, lot },
}: {
  readonly house: string;
  readonly boardLot: BoardLot;
}) {
  const { t } = useTranslation();
  const work = stages.find(({ kind, key }) => kind === 'work' && key === 'preferment-mix');
  const tick = useMark(house, lot, 0, work ? stageKey(work) : '', t('work.preferment-mix'));
  if (!work || tick.isDone) return null;
  return (
    <Button
      variant="contained"
      size="large"
      fullWidth
      disabled={tick.isSending}
      onClick={() => tick.toggle(true)}
    >
      {t('mix.ahead.stands')}
    </Button>
  );
}
