import type { FormulaContent, HouseBook } from '@calm/contract';
import {
  allergensOf,
  costOf,
  deratingShare,
  effective,
  flourForDoughG,
  formulaLines,
  holdingLimitsOf,
  formulaNotes,
} from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Way } from '../../../workers/engine/engineAnswers';
import styles from './FormulaFacts.module.css';
import type { PlannedDough } from '../what-if/whatIf';

/** What the formula really is once everything in it is counted, and what deserves a second look. */
export function FormulaFacts({
  book,
  content,
  dough,
  way,
}: {
  readonly book: HouseBook;
  readonly content: FormulaContent;
  /** The first product made of it, if any. */
  readonly dough: PlannedDough | null;
  readonly way: Way | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { formula } = content;
  const real = effective(formula);
  const { derating, yeastConversion } = book.house.settings;
  const products = book.products.filter((p) => p.formulaId === dough?.product.formulaId);
  const end = way?.stages.at(-1);
  const notes = formulaNotes(formula, {
    yeastConversion,
    mixerShare: deratingShare(real.hydrationPercent, derating),
    ...(way && { routeHours: way.endHour }),
    ...(way && end && { ripeness: { maturityH: end.maturityH, mostH: way.mostMaturityH } }),
  });
  const lines = (ballG: number) => {
    const flourG = flourForDoughG(formula, ballG);
    return formulaLines(formula).map(({ name, percent }) => ({
      name,
      grams: (percent * flourG) / 100,
    }));
  };
  const unpriced = costOf(lines(1000), book.pantry).unpriced;
  const rows = [
    ['hydration', real.hydrationPercent],
    ['salt', real.saltPercent],
    ['fat', real.fatPercent],
    ['sugar', real.sugarPercent],
  ] as const;
  return (
    <aside className={styles['facts']} aria-label={t('formulas.facts.title')}>
      <dl>
        {rows.map(([key, percent]) => (
          <div key={key}>
            <dt>{t(`formulas.facts.${key}`)}</dt>
            <dd>{f.percent(percent, 2)}</dd>
          </div>
        ))}
        {products.map((product) => (
          <div key={product.id}>
            <dt>{t('formulas.facts.cost', { product: product.name })}</dt>
            <dd>{f.money(costOf(lines(product.ballWeightG), book.pantry).total)}</dd>
          </div>
        ))}
        <div>
          <dt>{t('formulas.facts.allergens')}</dt>
          <dd>{f.list(allergensOf(formula, book.pantry)) || t('formulas.facts.noneKnown')}</dd>
        </div>
        {holdingLimitsOf(formula, book.pantry).map(({ name, aboveC, mostMin }) => (
          <div key={name}>
            <dt>{t('formulas.facts.holding', { name, above: f.temperature(aboveC) })}</dt>
            <dd>{f.duration(mostMin)}</dd>
          </div>
        ))}
      </dl>
      {unpriced.length > 0 && (
        <p className="quiet small">{t('formulas.facts.unpriced', { what: f.list(unpriced) })}</p>
      )}
      {notes.length > 0 && (
        <ul className={styles['notes']} aria-label={t('formulas.facts.notes')}>
          {notes.map((note) => (
            <li key={note.kind}>{t(`formulas.note.${note.kind}`, { ...note })}</li>
          ))}
        </ul>
      )}
    </aside>
  );
}
