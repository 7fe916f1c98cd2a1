import { adviseLoad, stepAmountsOf, type BoardLot, scaleStepG } from '@calm/domain';
import type { StepAmount, WeighedLine } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Caution } from '../../../parts/messages/Caution';
import { formatDilutionMessage } from '../../../parts/format/dilutionMessage';
import { useFormats } from '../../../parts/format/useFormats';
import type { Board } from '../../../state/board/useBoard';
import styles from './Paper.module.css';
import { QrMark } from './QrMark';
import { useSheet } from '../sheet/useSheet';
import { decimalsOf, nameOf } from '../bench/weighWords';

/** One page a load: weights, water, steps with boxes to tick, allergens, cautions, a code to the lot. */
export function PaperSheet({
  board,
  lot,
  address,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly address: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const sheet = useSheet(board, lot);
  const { recipe, scaled, friction, previewTemps } = sheet;
  if (!scaled.ok) return null;
  const { loads, preferment, dilution } = scaled.value;
  const amountWords = (amounts: readonly StepAmount[]) =>
    f.list(
      amounts.map((amount) => {
        const stepG = scaleStepG(recipe.settings, amount.kind);
        return `${f.grams(amount.grams, decimalsOf(stepG))} ${nameOf(t, amount)}`;
      }),
    );
  const cautions = [...new Set(recipe.method.steps.flatMap((step) => step.caution ?? []))];
  return loads.map((load, i) => {
    const record = lot.lot?.loads.find((l) => l.number === i + 1);
    const temps = record ?? previewTemps;
    const amounts = stepAmountsOf(recipe, load);
    const advice = adviseLoad(recipe, load, temps, record?.frictionC ?? friction.frictionC);
    return (
      <section key={i} className={styles['page']}>
        <header>
          <div>
            <h2>{recipe.formulaName}</h2>
            <p>
              {f.date(lot.date)} · {f.list(lot.items.map((item) => `${item.count} × ${item.name}`))}
            </p>
            <p>
              {lot.lot ? `${lot.lot.code} · ` : ''}
              {t('mix.load', { number: i + 1, of: loads.length })} · {recipe.mixer.name} ·{' '}
              {t('mix.paper.version', { version: recipe.formulaVersion })}
            </p>
          </div>
          <div className={styles['code']}>
            <QrMark address={address} label={t('mix.paper.code')} />
          </div>
        </header>
        {preferment && i === 0 && (
          <>
            <h3>{recipe.formula.preferment?.name}</h3>
            <Weights
              lines={preferment.ingredients}
              readability={recipe.settings.scaleReadabilityG}
            />
          </>
        )}
        <h3>{t('mix.weigh.bowl')}</h3>
        <Weights lines={load.ingredients} readability={recipe.settings.scaleReadabilityG} />
        <p className={styles['sum']}>{t('mix.weigh.sum', { sum: f.kilograms(load.doughG, 2) })}</p>
        <p>
          {t('mix.paper.water', {
            temp: f.temperature(advice.pourTempC),
            dough: f.temperature(recipe.doughTempC),
            room: f.temperature(temps.roomTempC),
            flour: f.temperature(temps.flourTempC),
          })}
          {advice.iceG >= 1 && (
            <>
              {' '}
              <b>
                {t('mix.water.split', {
                  ice: f.grams(advice.iceG),
                  tap: f.grams(advice.tapWaterG),
                })}
              </b>
            </>
          )}
        </p>
        {dilution && <p>{formatDilutionMessage(t, f, dilution)}</p>}
        <h3>{recipe.method.name}</h3>
        <ol className={styles['steps']}>
          {recipe.method.steps.map((step, at) => (
            <li key={step.key}>
              <b>
                {step.title}
                {step.minutes !== undefined && `, ${f.duration(step.minutes)}`}
                {step.speed && `, ${t(`mix.steps.${step.speed}`)}`}
              </b>{' '}
              <b>{amountWords(amounts?.steps[at] ?? [])}</b> {step.detail}{' '}
              {step.lookFor && <i>{step.lookFor}</i>}
            </li>
          ))}
        </ol>
        <p className={styles['blanks']}>
          <span>{t('mix.paper.doughOut')}</span>
          <span>{t('mix.paper.at')}</span>
          <span>{t('mix.paper.by')}</span>
        </p>
        <p>
          <b>{t('mix.paper.allergens')}</b> {f.list(recipe.allergens)}
        </p>
        {cautions.map((caution) => (
          <Caution key={caution} about={caution} />
        ))}
      </section>
    );
  });
}

function Weights({
  lines,
  readability,
}: {
  readonly lines: readonly WeighedLine[];
  readonly readability: { readonly default: number; readonly yeast: number };
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <table className={styles['weights']}>
      <tbody>
        {lines.map((line) => (
          <tr key={line.key}>
            <th scope="row">{nameOf(t, line)}</th>
            <td>{f.percent(line.percent, 2)}</td>
            <td>
              {f.grams(
                line.grams,
                decimalsOf(line.kind === 'yeast' ? readability.yeast : readability.default),
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
