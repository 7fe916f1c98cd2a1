import { WideTable } from '../../../parts/layout/WideTable';
import { HOUR_MS, editLines, flourForDoughG, type EditLine } from '@calm/core';
import Button from '@mui/material/Button';
import type { FormulaContent, FormulaVersion } from '@calm/contract';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { lineName } from './lineName';
import { useSimulation } from '../../../workers/engine/useSimulation';
import styles from './Versions.module.css';
import { asPlanned, documentOf, type PlannedDough } from '../what-if/whatIf';

const BATCH_G = 10_000;

/** Every version there was; any of them beside what is on the page, and back again. */
export function Versions({
  versions,
  shown,
  dough,
  onBringBack,
}: {
  readonly versions: readonly FormulaVersion[];
  readonly shown: FormulaContent;
  readonly dough: PlannedDough | null;
  readonly onBringBack: (version: FormulaVersion) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [picked, setPicked] = useState<number | null>(null);
  const other = versions.find(({ version }) => version === picked);
  return (
    <section className={styles['versions']} aria-label={t('formulas.versions.title')}>
      <h2>{t('formulas.versions.title')}</h2>
      <ul>
        {versions.map(({ version, note, savedAt }) => (
          <li key={version}>
            <Button
              size="small"
              variant={picked === version ? 'contained' : 'outlined'}
              aria-pressed={picked === version}
              onClick={() => setPicked(picked === version ? null : version)}
            >
              {t('formulas.versions.version', { version })}
            </Button>
            <span>{note || t('formulas.versions.noNote')}</span>
            <span className="quiet">{f.day(Date.parse(savedAt))}</span>
          </li>
        ))}
      </ul>
      {other && (
        <>
          <Comparison older={other} newer={shown} dough={dough} />
          <EditOnly>
            <Button variant="outlined" onClick={() => onBringBack(other)}>
              {t('formulas.versions.bringBack', { version: other.version })}
            </Button>
          </EditOnly>
        </>
      )}
    </section>
  );
}

function Comparison({
  older,
  newer,
  dough,
}: {
  readonly older: FormulaVersion;
  readonly newer: FormulaContent;
  readonly dough: PlannedDough | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const sides = [older, newer];
  const batchOf = (side: FormulaContent) => flourForDoughG(side.formula, BATCH_G);
  const names = new Map<string, EditLine>();
  for (const side of sides) {
    for (const line of editLines(side.formula)) {
      if (line.percent > 0) names.set(line.name, names.get(line.name) ?? line);
    }
  }
  const percentIn = (side: FormulaContent, name: string) =>
    editLines(side.formula).find((line) => line.name === name)?.percent ?? 0;
  return (
    <WideTable label={t('formulas.page.part.lines')}>
      <table className={styles['compare']}>
        <caption>{t('formulas.versions.per', { batch: f.kilograms(BATCH_G, 0) })}</caption>
        <thead>
          <tr>
            <td />
            <th scope="col" colSpan={2}>
              {t('formulas.versions.version', { version: older.version })}
            </th>
            <th scope="col" colSpan={2}>
              {t('formulas.versions.here')}
            </th>
          </tr>
        </thead>
        <tbody>
          {[...names.values()].map((line) => {
            const isSame = percentIn(older, line.name) === percentIn(newer, line.name);
            return (
              <tr key={line.name} data-changed={!isSame}>
                <th scope="row">{lineName(t, line)}</th>
                {sides.map((side, i) => {
                  const percent = percentIn(side, line.name);
                  return [
                    <td key={`${i} %`}>{f.percent(percent, 3)}</td>,
                    <td key={`${i} g`}>{f.grams((percent * batchOf(side)) / 100, 1)}</td>,
                  ];
                })}
              </tr>
            );
          })}
          <tr data-changed={older.doughTempC !== newer.doughTempC}>
            <th scope="row">{t('formulas.whatIf.doughTemp')}</th>
            <td colSpan={2}>{f.temperature(older.doughTempC)}</td>
            <td colSpan={2}>{f.temperature(newer.doughTempC)}</td>
          </tr>
          {dough && (
            <tr>
              <th scope="row">{t('formulas.versions.window')}</th>
              <td colSpan={2}>
                <WindowOf dough={dough} content={older} />
              </td>
              <td colSpan={2}>
                <WindowOf dough={dough} content={newer} />
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </WideTable>
  );
}

/** When this dough would open well, by the product's route and next service. */
function WindowOf({
  dough,
  content,
}: {
  readonly dough: PlannedDough;
  readonly content: FormulaContent;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const document = useMemo(() => {
    const own = { ...dough, record: { ...dough.record, ...content } };
    return documentOf(own, asPlanned(own));
  }, [dough, content]);
  const answer = useSimulation(document);
  if (!answer?.ok) return null;
  const { window } = answer.value;
  if (window.kind === 'never') return <>{t(`never.${window.why}`)}</>;
  const at = (hour: number) => dough.mixedMs + hour * HOUR_MS;
  return (
    <>
      {t('formulas.versions.fromTo', {
        from: f.moment(at(window.earliestHour)),
        to: f.time(at(window.latestHour)),
        peak: f.time(at(window.peakHour)),
      })}
    </>
  );
}
