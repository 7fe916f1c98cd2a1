import Button from '@mui/material/Button';
import { scaleRecipe, recipeFor, lotItem } from '@calm/domain';
import type { FormulaRecord, HouseBook } from '@calm/contract';
import { mostBallsOf, type Formula, type ScaledLot, type ScaleRequest } from '@calm/core';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { Choice } from '../../../parts/fields/Choice';
import { useNotices } from '../../../parts/messages/Notices';
import { formatReasonMessage } from '../../../parts/format/reasonMessage';
import { BALLS } from '../../../parts/fields/readNumber';
import { useDraft } from '../../../state/drafts/useDraft';
import styles from './MakePart.module.css';
import { Bags, Result, Weighing } from './MakeResult';
import { ownOldDough } from './OldDoughPart';

/** What somebody wants to make of a dough, kept on this device. */
interface Wish {
  /** Balls by product id. */
  readonly counts: Readonly<Record<string, number>>;
  readonly mixerId?: string;
  /** Dough from before that goes back in, g. */
  readonly oldDoughG?: number;
}

const USUAL_BALLS = 100;
const TIMES = { half: 0.5, double: 2 };
const FLOUR_KG = { min: 0.1, max: 2000, decimals: 2 };
const OLD_DOUGH = { min: 0, max: 100_000, decimals: 0 };

/** Any amount of this dough: what to weigh, in how many loads, of how many bags, for how much money. */
export function MakePart({
  house,
  book,
  record,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly record: FormulaRecord;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed, failed } = useNotices();
  const { draft, keep, drop } = useDraft<Wish>(`make/${house}/${record.slug}`);
  const products = book.products.filter(({ formulaId }) => formulaId === record.id);
  const [first] = products;
  const wish: Wish = draft ?? { counts: first ? { [first.id]: USUAL_BALLS } : {} };
  const mixerId = wish.mixerId ?? record.mixerId;
  const oldDoughG = wish.oldDoughG ?? 0;
  const countOf = (id: string) => wish.counts[id] ?? 0;
  const change = (to: Partial<Wish>, what: string) => {
    keep({ ...wish, ...to });
    const undo = () => Promise.resolve(void (draft ? keep(draft) : drop()));
    changed(what, undo, { isQuiet: true });
  };
  const countTo = (id: string, count: number, name: string) =>
    change(
      { counts: { ...wish.counts, [id]: count } },
      t('formulas.edit.changed', { what: name, to: f.count(count) }),
    );

  const multiply = (times: keyof typeof TIMES) =>
    change(
      {
        counts: Object.fromEntries(
          products.map(({ id }) => [id, Math.ceil(countOf(id) * TIMES[times])]),
        ),
        oldDoughG: Math.round(oldDoughG * TIMES[times]),
      },
      t(`formulas.make.${times}`),
    );

  const made = useScaled(book, record, { mixerId, counts: wish.counts, oldDoughG });
  if (!first || !made) return <p className="quiet">{t('formulas.make.noProducts')}</p>;
  const { recipe, items, answer } = made;
  const { settings, mixer, formula } = recipe;
  const request: ScaleRequest = { formula, mixer, ...settings, items };
  const flour = answer.ok ? mainFlour(answer.value, formula) : null;
  return (
    <section aria-label={t('formulas.page.part.make')}>
      <div className={styles['wish']}>
        {products.map((product) => (
          <LabelledCell
            key={product.id}
            name={`${product.name} ${f.grams(product.ballWeightG)}`}
            label={product.name}
            value={countOf(product.id)}
            rule={BALLS}
            step={10}
            onCommit={(count) => countTo(product.id, count, product.name)}
          />
        ))}
        {flour && (
          <LabelledCell
            name={flour.name}
            label={t('formulas.make.ofFlour', { flour: flour.name })}
            measure="kilograms"
            value={flour.grams / 1000}
            rule={FLOUR_KG}
            step={1}
            onCommit={(kg) => {
              const most = mostBallsOf(request, 0, flour.key, kg * 1000);
              if (most) countTo(first.id, most.count, first.name);
              else failed(t('formulas.make.tooLittle', { product: first.name }));
            }}
          />
        )}
        <LabelledCell
          name={t('formulas.make.oldDough')}
          measure="grams"
          value={oldDoughG}
          rule={OLD_DOUGH}
          step={100}
          onCommit={(grams) =>
            change(
              { oldDoughG: grams },
              t('formulas.edit.changed', { what: t('formulas.make.oldDough'), to: f.grams(grams) }),
            )
          }
        />
        {(['half', 'double'] as const).map((times) => (
          <Button key={times} variant="outlined" onClick={() => multiply(times)}>
            {t(`formulas.make.${times}`)}
          </Button>
        ))}
        <Choice
          label={t('formulas.basics.mixer')}
          value={mixerId}
          values={book.mixers.map(({ id }) => id)}
          say={(id) => book.mixers.find((each) => each.id === id)?.name ?? id}
          onChange={(id) => change({ mixerId: id }, t('formulas.basics.mixer'))}
        />
      </div>
      {answer.ok ? (
        <>
          <Result
            book={book}
            scaled={answer.value}
            items={items}
            fromRemainders={products.find((product) => product.isFromRemainders)}
          />
          <Weighing scaled={answer.value} pantry={book.pantry} />
          <p className="quiet small">
            {t(`formulas.make.residue.${book.losses.residue ? 'learned' : 'set'}`, {
              percent: f.percent(settings.residuePercent, 2),
              perLoad: f.grams(settings.residuePerLoadG),
              lots: book.losses.residue?.lots ?? 0,
            })}
          </p>
          <Bags
            request={request}
            pantry={book.pantry}
            onCount={(count) => countTo(first.id, count, first.name)}
            name={first.name}
          />
        </>
      ) : (
        <p role="alert" className={styles['cannot']}>
          {answer.reasons.map((reason) => formatReasonMessage(t, reason)).join(' ')}
        </p>
      )}
    </section>
  );
}

/** The flour that there is most of, with all that goes into the dough, g. */
function mainFlour({ totals, preferment }: ScaledLot, { flours }: Formula) {
  const { name } = flours.reduce((a, b) => (b.percent > a.percent ? b : a));
  const key = `flour:${name}`;
  const lines = [...totals.ingredients, ...(preferment?.ingredients ?? [])];
  const grams = lines.reduce((sum, line) => sum + (line.key === key ? line.grams : 0), 0);
  return { key, name, grams };
}

/** The dough scaled to what is wanted of it; null while nothing is made of it. */
function useScaled(
  book: HouseBook,
  record: FormulaRecord,
  { mixerId, counts, oldDoughG }: Required<Wish>,
) {
  const { t } = useTranslation();
  return useMemo(() => {
    const [product] = book.products.filter(({ formulaId }) => formulaId === record.id);
    if (!product) return null;
    const changedBook = {
      ...book,
      formulas: book.formulas.map((each) => (each.id === record.id ? record : each)),
    };
    const plain = recipeFor(changedBook, product, mixerId);
    const items = book.products
      .filter(({ formulaId }) => formulaId === record.id)
      .map((each) => lotItem(each, counts[each.id] ?? 0));
    const without = scaleRecipe(plain, items);
    const formula = without.ok
      ? withOldDough(
          plain.formula,
          oldDoughG,
          without.value.totals.flourG,
          t('formulas.oldDough.name'),
        )
      : plain.formula;
    const recipe = { ...plain, formula };
    return { recipe, items, answer: scaleRecipe(recipe, items) };
  }, [book, record, mixerId, counts, oldDoughG, t]);
}

/** The formula with this much dough from before in it; what it brings is not weighed again. */
function withOldDough(formula: Formula, oldDoughG: number, flourG: number, name: string): Formula {
  if (oldDoughG <= 0) return formula;
  const percent = (oldDoughG / flourG) * 100;
  const oldDough = formula.oldDough
    ? { ...formula.oldDough, percent }
    : ownOldDough(formula, name, percent);
  return { ...formula, oldDough };
}
