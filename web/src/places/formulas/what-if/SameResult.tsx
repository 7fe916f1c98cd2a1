import type { DoughDocument } from '@calm/contract';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { toldMinutes } from '../../../parts/format/toldMinutes';
import { useFormats } from '../../../parts/format/useFormats';
import { WideTable } from '../../../parts/layout/WideTable';
import { engine } from '../../../workers/engine/engine';
import { useLatest } from '../../../workers/useLatest';
import type { PlannedDough } from './whatIf';
import styles from './WhatIf.module.css';

/** Warmer or colder than a stage's own air, °C. */
const BY_C = [-6, -4, -2, 0, 2, 4, 6] as const;

/** Minutes of each stage at each temperature; null where no time comes to the same. */
type Minutes = readonly (readonly (number | null)[])[];

const ask = async (document: DoughDocument): Promise<Minutes> =>
  Promise.all(
    document.stages.map(async ({ airTempC }, stage) => {
      const tempsC = BY_C.map((by) => airTempC + by);
      const told = await engine().equivalent({ ...document, stage, tempsC });
      return told.ok ? told.value.minutes : BY_C.map(() => null);
    }),
  );

/** How long each stage would take in warmer or colder air for the same result; calculated once it is opened. */
export function SameResult({
  dough,
  document,
}: {
  readonly dough: PlannedDough;
  readonly document: DoughDocument;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [isOpen, setOpen] = useState(false);
  const question = useMemo(() => (isOpen ? document : null), [isOpen, document]);
  const minutes = useLatest(ask, question)?.answer;
  const title = t('formulas.same.title');
  return (
    <details
      className={styles['same']}
      onToggle={({ currentTarget }) => setOpen(currentTarget.open)}
    >
      <summary>{title}</summary>
      <p className="quiet">{t('formulas.same.lead')}</p>
      {minutes && (
        <WideTable label={title}>
          <table>
            <thead>
              <tr>
                <th scope="col">{t('formulas.same.stage')}</th>
                {BY_C.map((by) => (
                  <th key={by} scope="col">
                    {by === 0 ? t('formulas.same.own') : f.warmer(by, 0)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {document.stages.map(({ airTempC }, i) => {
                const key = dough.way.stages[i]?.rest.key;
                return (
                  <tr key={String(i)}>
                    <th scope="row">
                      {key ? t(`rest.${key}`) : ''} {f.temperature(airTempC, 0)}
                    </th>
                    {(minutes[i] ?? []).map((each, j) => (
                      <td key={BY_C[j]}>{each === null ? '–' : f.duration(toldMinutes(each))}</td>
                    ))}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </WideTable>
      )}
    </details>
  );
}
