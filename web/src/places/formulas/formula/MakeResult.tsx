import {
  bagsFor,
  costOf,
  inPantry,
  useRemainder as useOfRemainder,
  wholeBagCounts,
  type Pantry,
  type Remainder,
  type ScaledLot,
  type ScaleRequest,
  type WholeBags,
} from '@calm/core';
import type { HouseBook } from '@calm/contract';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { WideTable } from '../../../parts/layout/WideTable';
import styles from './MakePart.module.css';

/** A share that no scale on a bench shows is nothing. */
const isFelt = (rest: Remainder) =>
  !('extraPerBallG' in rest) || Math.abs(rest.extraPerBallG) >= 0.05;

/** Dough, loads, money, and what the remainder becomes: one sentence each. */
export function Result({
  book,
  scaled,
  items,
  fromRemainders,
}: {
  readonly book: HouseBook;
  readonly scaled: ScaledLot;
  readonly items: readonly { readonly count: number; readonly ballWeightG: number }[];
  readonly fromRemainders: HouseBook['products'][number] | undefined;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { balance, loads, totals } = scaled;
  const lines = [...totals.ingredients, ...(scaled.preferment?.ingredients ?? [])];
  const money = costOf(lines, book.pantry);
  const main = items.reduce((a, b) => (b.count > a.count ? b : a));
  const rest = useOfRemainder(
    balance.remainderG,
    totals.balls,
    main.ballWeightG,
    book.house.settings.ballTolerancePercent,
    fromRemainders?.ballWeightG,
  );
  return (
    <dl className={styles['outcome']}>
      <div>
        <dt>{t('formulas.edit.total')}</dt>
        <dd>{f.kilograms(balance.doughG, 2)}</dd>
      </div>
      <div>
        <dt>{t('mix.chain.loads')}</dt>
        <dd>
          {loads.length} × {f.kilograms(loads[0]?.doughG ?? 0, 2)}
        </dd>
      </div>
      <div>
        <dt>{t('formulas.make.cost')}</dt>
        <dd>{f.money(money.total)}</dd>
      </div>
      <div>
        <dt>{t('formulas.make.costEach')}</dt>
        <dd>{f.money(money.total / Math.max(1, totals.balls))}</dd>
      </div>
      <div>
        <dt>{t('formulas.make.remainder')}</dt>
        <dd>
          {t(`formulas.make.rest.${isFelt(rest) ? rest.kind : 'none'}`, {
            each: 'extraPerBallG' in rest ? f.grams(rest.extraPerBallG, 1) : '',
            count: 'count' in rest ? rest.count : 0,
            product: fromRemainders?.name ?? '',
            left: f.grams('leftG' in rest ? rest.leftG : 'missingG' in rest ? rest.missingG : 0),
          })}
        </dd>
      </div>
    </dl>
  );
}

/** Every ingredient: all of it, for one load, what the scale cannot show, and bags. */
export function Weighing({
  scaled,
  pantry,
}: {
  readonly scaled: ScaledLot;
  readonly pantry: Pantry;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [load] = scaled.loads;
  const bags = (name: string, grams: number) => {
    const bagKg = inPantry(pantry, name)?.bagKg;
    if (!bagKg || grams <= 0) return '';
    const { whole, fromOpenG } = bagsFor(grams, bagKg);
    const size = f.kilograms(bagKg * 1000, 1);
    const rest = bagKg < 2 ? f.grams(fromOpenG) : f.kilograms(fromOpenG, 1);
    return whole === 0
      ? t('formulas.make.partOfBag', { rest, size })
      : t('formulas.make.bags', { whole, rest, size });
  };
  const nameOf = (name: string) => t(`ingredient.${name}`, { defaultValue: name });
  return (
    <WideTable label={t('formulas.page.part.lines')}>
      <table className={styles['weighing']}>
        <thead>
          <tr>
            <th scope="col">{t('formulas.edit.ingredient')}</th>
            <th scope="col">{t('formulas.make.all')}</th>
            <th scope="col">{t('formulas.make.perLoad')}</th>
            <th scope="col">{t('formulas.make.off')}</th>
            <th scope="col">{t('formulas.make.fromBags')}</th>
          </tr>
        </thead>
        <tbody>
          {scaled.preferment?.ingredients.map((line) => (
            <tr key={`ahead-${line.key}`}>
              <th scope="row">{t('formulas.make.ahead', { what: nameOf(line.name) })}</th>
              <td>{f.grams(line.grams, line.kind === 'yeast' ? 1 : 0)}</td>
              <td>–</td>
              <td>{f.grams(line.grams - line.exactG, 1)}</td>
              <td>{bags(line.name, line.grams)}</td>
            </tr>
          ))}
          {scaled.totals.ingredients.map((line, i) => (
            <tr key={line.key}>
              <th scope="row">{nameOf(line.name)}</th>
              <td>{f.grams(line.grams, line.kind === 'yeast' ? 1 : 0)}</td>
              <td>{f.grams(load?.ingredients[i]?.grams ?? 0, line.kind === 'yeast' ? 1 : 0)}</td>
              <td>{f.grams(line.errorG, 1)}</td>
              <td>{bags(line.name, line.grams)}</td>
            </tr>
          ))}
        </tbody>
        {scaled.dilution && (
          <caption>
            {t('formulas.make.dilution', {
              yeast: f.grams(scaled.dilution.yeastG, 1),
              water: f.grams(scaled.dilution.waterG),
              pour: f.grams(scaled.dilution.portionG),
            })}
          </caption>
        )}
      </table>
    </WideTable>
  );
}

/** Counts that use the main flour up to the bag. */
export function Bags({
  request,
  pantry,
  name,
  onCount,
}: {
  readonly request: ScaleRequest;
  readonly pantry: Pantry;
  /** Of the product whose count may change. */
  readonly name: string;
  readonly onCount: (count: number) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const main = request.formula.flours.reduce((a, b) => (b.percent > a.percent ? b : a));
  const bagKg = inPantry(pantry, main.name)?.bagKg ?? 0;
  const choices = useMemo<readonly WholeBags[]>(
    () => wholeBagCounts(request, 0, `flour:${main.name}`, bagKg),
    [request, main.name, bagKg],
  );
  if (choices.length === 0) return null;
  return (
    <div className={styles['bags']}>
      <span>{t('formulas.make.wholeBags', { flour: main.name })}</span>
      {choices.map(({ bags, count }) => (
        <Button key={bags} size="small" variant="outlined" onClick={() => onCount(count)}>
          {t('formulas.make.useBags', {
            count: bags,
            bags: f.count(bags),
            balls: f.count(count),
            product: name,
          })}
        </Button>
      ))}
    </div>
  );
}
