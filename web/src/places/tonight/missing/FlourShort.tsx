import { floursInUse } from '@calm/domain';
import { HOUR_MS } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../../../parts/fields/Choice';
import { NumberField } from '../../../parts/fields/NumberField';
import { formatOdds } from '../../../parts/format/odds';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WideTable } from '../../../parts/layout/WideTable';
import { Caution } from '../../../parts/messages/Caution';
import type { Board } from '../../../state/board/useBoard';
import { WithBoard } from '../WithBoard';
import styles from './Missing.module.css';
import { useFlourShort, type ShortAnswer, type ShortLot } from './useFlourShort';

const LEFT = { min: 0, max: 10_000, decimals: 1 };

/** A flour runs out: which lots lack it, and what each flour of the house would do in its place. */
export function FlourShort() {
  return <WithBoard>{(board) => <OfHouse board={board} />}</WithBoard>;
}

function OfHouse({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [params, setParams] = useSearchParams();
  const flours = floursInUse(board.book);
  const flour = flours.find((name) => name === params.get('flour')) ?? flours[0] ?? '';
  const storeKg = board.book.pantry.find(({ name }) => name === flour)?.storeKg ?? 0;
  const said = params.get('left');
  const leftKg =
    said === null || !Number.isFinite(Number(said)) ? storeKg : Math.max(0, Number(said));
  const { needs, latest } = useFlourShort(board, flour, leftKg * 1000);
  const set = (changes: Readonly<Record<string, string | null>>) =>
    setParams(
      (before) => {
        for (const [key, value] of Object.entries(changes))
          if (value === null) before.delete(key);
          else before.set(key, value);
        return before;
      },
      { replace: true },
    );
  const isEnough = needs.every(({ needG, hasG }) => needG - hasG < 1);
  return (
    <Page title={t('missing.flour')} lead={t('missing.flourLead')}>
      <div className={styles['fields']}>
        <Choice
          label={t('missing.which')}
          value={flour}
          values={flours}
          width={220}
          say={(name) => name}
          onChange={(name) => set({ flour: name, left: null })}
        />
        <div className={styles['number']}>
          <NumberField
            label={t('missing.left')}
            measure="kilograms"
            value={leftKg}
            rule={LEFT}
            onCommit={(kg) => set({ left: String(kg ?? 0) })}
          />
        </div>
      </div>
      {needs.length === 0 ? (
        <p>{t('missing.nobodyNeeds')}</p>
      ) : (
        <ul className={styles['needs']}>
          {needs.map(({ lot, needG, hasG }) => (
            <li key={lot.recipe.formulaName + lot.date} data-short={needG - hasG >= 1}>
              <b>{f.joined(lot.recipe.formulaName, f.date(lot.date))}</b>{' '}
              {t(needG - hasG >= 1 ? 'missing.lacks' : 'missing.has', {
                need: f.kilograms(needG),
                lack: f.kilograms(needG - hasG),
              })}
            </li>
          ))}
        </ul>
      )}
      {needs.length > 0 && isEnough && <p>{t('missing.enough')}</p>}
      {latest?.question.map((short, i) => (
        <Swaps
          key={short.need.lot.recipe.formulaName + short.need.lot.date}
          house={board.house}
          short={short}
          answer={latest.answer[i]}
        />
      ))}
      <Caution about="flour-dust" />
    </Page>
  );
}

/** Flours in the place of what one lot lacks, side by side: water, dose, window. */
function Swaps({
  house,
  short: { need, swaps },
  answer,
}: {
  readonly house: string;
  readonly short: ShortLot;
  readonly answer: ShortAnswer | undefined;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { lot } = need;
  const title = f.joined(lot.recipe.formulaName, f.date(lot.date));
  const mixedMs = lot.stages.find(({ key }) => key === 'mix')?.endMs ?? 0;
  const at = (hour: number) => f.moment(mixedMs + hour * HOUR_MS);
  const { formula } = lot.recipe;
  const before = answer?.usual.ok ? answer.usual.value.window : null;
  return (
    <section>
      <h2>{title}</h2>
      {swaps.length === 0 ? (
        <p>{t('missing.noOther')}</p>
      ) : (
        <WideTable label={title}>
          <table className={styles['swaps']}>
            <thead>
              <tr>
                <th scope="col">{t('missing.flourOf')}</th>
                <th scope="col">{t('missing.water')}</th>
                <th scope="col">{t('missing.yeast')}</th>
                <th scope="col">{t('missing.window')}</th>
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">{t('missing.asWritten')}</th>
                <td>{f.percent(formula.waterPercent)}</td>
                <td>{f.percent(formula.yeast.percent, 2)}</td>
                <td>
                  {before?.kind === 'ready' &&
                    t('missing.opens', {
                      from: at(before.earliestHour),
                      to: at(before.latestHour),
                      odds: formatOdds(t, before.odds),
                    })}
                </td>
              </tr>
              {swaps.map(({ flour, lacksG, waterPercent, moreWaterPercent }, i) => {
                const dose = answer?.doses[i];
                const window = dose?.ok ? dose.value.window : null;
                return (
                  <tr key={flour.name}>
                    <th scope="row">
                      {flour.name}
                      {lacksG >= 1 && (
                        <span className={styles['still']}>
                          {t('missing.still', { lack: f.kilograms(lacksG) })}
                        </span>
                      )}
                    </th>
                    <td>
                      {f.percent(waterPercent)}{' '}
                      <span className="quiet">
                        {t(moreWaterPercent < 0 ? 'missing.less' : 'missing.more', {
                          by: f.percent(Math.abs(moreWaterPercent)),
                        })}
                      </span>
                    </td>
                    <td>{dose?.ok && f.percent(dose.value.bowlYeast.percent, 2)}</td>
                    <td>
                      {window
                        ? t('missing.opens', {
                            from: at(window.earliestHour),
                            to: at(window.latestHour),
                            odds: formatOdds(t, window.odds),
                          })
                        : dose && t('missing.doesNot')}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </WideTable>
      )}
      <p className={styles['byFeel']}>
        {t('missing.byFeel')}{' '}
        <Link to={`/${house}/formulas/${lot.product.slug}`}>{t('missing.write')}</Link>
      </p>
    </section>
  );
}
