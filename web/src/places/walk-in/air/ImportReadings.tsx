import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import type { ReadingColumns } from '@calm/contract';
import { ONLY_PROBE } from '@calm/domain/columns';
import { useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { DateOrderChoice } from '../../../parts/fields/DateOrderChoice';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Air.module.css';
import { useImportReadings, type BringingReadings } from './useImportReadings';
import type { WalkInNow } from '../useWalkIn';

/** What loggers have kept, brought in from a table. */
export function ImportReadings({ now }: { readonly now: WalkInNow }) {
  const { t } = useTranslation();
  const f = useFormats();
  const bring = useImportReadings(now);
  const input = useRef<HTMLInputElement>(null);
  const { state } = bring;
  return (
    <section>
      <h2>{t('walkIn.air.bring')}</h2>
      {state.kind === 'none' && (
        <>
          <p className="quiet">{t('walkIn.air.bringHow')}</p>
          <Button variant="outlined" onClick={() => input.current?.click()}>
            {t('walkIn.air.choose')}
          </Button>
        </>
      )}
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.txt,.tsv,text/csv"
        aria-label={t('walkIn.air.file')}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) bring.open(file);
          event.target.value = '';
        }}
      />
      {(state.kind === 'opening' || state.kind === 'trying' || state.kind === 'writing') && (
        <div className={styles['progress']}>
          <p aria-live="polite">
            {t(`walkIn.air.${state.kind}`, {
              file: state.name,
              share: f.percent(100 * state.share, 0),
            })}
          </p>
          <LinearProgress
            variant="determinate"
            value={100 * Math.min(1, state.share)}
            aria-label={state.name}
          />
          <Button onClick={bring.leave}>{t('record.cancel')}</Button>
        </div>
      )}
      {state.kind === 'columns' && (
        <Columns
          now={now}
          state={state}
          onMatch={bring.match}
          onRead={bring.read}
          onLeave={bring.leave}
        />
      )}
      {state.kind === 'tried' && <Found state={state} bring={bring} />}
    </section>
  );
}

const NONE = '';

/** Which column says what, and which probe is meant; remembered for the next file. */
function Columns({
  now,
  state: { name, opened, columns, names, isRemembered },
  onMatch,
  onRead,
  onLeave,
}: {
  readonly now: WalkInNow;
  readonly state: Extract<BringingReadings, { kind: 'columns' }>;
  readonly onMatch: (to: Partial<ReadingColumns>) => void;
  readonly onRead: () => void;
  readonly onLeave: () => void;
}) {
  const { t } = useTranslation();
  const titles = [...new Set(opened.titles)];
  const { probes } = now.cold;
  const formatProbeChoice = (id: string) =>
    probes.find((probe) => probe.id === id)?.name ?? t('walkIn.air.leaveOut');
  const isNothing = Object.values(columns.probes).every((probe) => probe === null);
  return (
    <div className={styles['form']}>
      <p>
        {t('walkIn.air.opened', {
          file: name,
          count: opened.lines,
        })}{' '}
        {isRemembered && t('walkIn.air.remembered')}
      </p>
      {(['time', 'temp'] as const).map((key) => (
        <Choice
          key={key}
          label={t(`walkIn.air.column.${key}`)}
          width="100%"
          value={columns[key]}
          values={titles}
          say={(title) => title}
          onChange={(title) => onMatch({ [key]: title })}
        />
      ))}
      <Choice
        label={t('walkIn.air.column.probe')}
        width="100%"
        value={columns.probe ?? NONE}
        values={[NONE, ...titles]}
        say={(title) => title || t('walkIn.air.onlyOne')}
        onChange={(title) => onMatch({ probe: title })}
      />
      <Choice
        label={t('walkIn.air.unit')}
        width="100%"
        value={columns.unit}
        values={['C', 'F'] as const}
        say={(unit) => `°${unit}`}
        onChange={(unit) => onMatch({ unit })}
      />
      <DateOrderChoice
        column={opened.dates[columns.time]}
        order={columns.dateOrder}
        width="100%"
        onChange={(dateOrder) => onMatch({ dateOrder })}
      />
      <Choice
        label={t('walkIn.air.clock')}
        width="100%"
        value={columns.clock}
        values={['house', 'utc'] as const}
        say={(clock) => t(`walkIn.air.clocks.${clock}`)}
        onChange={(clock) => onMatch({ clock })}
      />
      {names.map(({ name: said, lines }) => (
        <Choice
          key={said}
          label={
            said === ONLY_PROBE
              ? t('walkIn.air.probe')
              : `${t('walkIn.air.means', { name: said })} (${t('walkIn.air.lines', { count: lines })})`
          }
          width="100%"
          value={columns.probes[said] ?? NONE}
          values={[NONE, ...probes.map(({ id }) => id)]}
          say={formatProbeChoice}
          onChange={(id) => onMatch({ probes: { ...columns.probes, [said]: id || null } })}
        />
      ))}
      <div className={styles['bar']}>
        <Button onClick={onLeave}>{t('record.cancel')}</Button>
        <Button variant="contained" disabled={isNothing} onClick={onRead}>
          {t('walkIn.air.go')}
        </Button>
        {isNothing && <span className="quiet">{t('walkIn.air.nothingMeant')}</span>}
      </div>
    </div>
  );
}

/** What the file comes to, before anything is written. */
function Found({
  state: { file },
  bring,
}: {
  readonly state: Extract<BringingReadings, { kind: 'tried' }>;
  readonly bring: ReturnType<typeof useImportReadings>;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <div>
      {file.fromS !== null && file.toS !== null && (
        <p>
          {t('walkIn.air.found', {
            count: file.readings,
            from: `${f.day(file.fromS * 1000)} ${f.time(file.fromS * 1000)}`,
            until: `${f.day(file.toS * 1000)} ${f.time(file.toS * 1000)}`,
          })}
        </p>
      )}
      {file.gaps > 0 && (
        <p className="quiet">
          {t('walkIn.air.gaps', {
            count: file.gaps,
            longest: f.duration(Math.round(file.longestGapS / 60)),
          })}
        </p>
      )}
      {file.faults > 0 && (
        <>
          <p>{t('walkIn.air.wrong', { count: file.faults })}</p>
          <ul className={styles['done']}>
            {file.faulty.map(({ line, text }) => (
              <li key={line}>{t('walkIn.air.wrongLine', { line, text })}</li>
            ))}
          </ul>
        </>
      )}
      <div className={styles['bar']}>
        <Button onClick={bring.leave}>{t('record.cancel')}</Button>
        <Button onClick={bring.back}>{t('walkIn.air.back')}</Button>
        <Button variant="contained" disabled={file.readings === 0} onClick={bring.write}>
          {t('walkIn.air.write')}
        </Button>
      </div>
    </div>
  );
}
