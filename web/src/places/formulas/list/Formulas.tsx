import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { FormulaRecord, HouseBook } from '@calm/contract';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { Link } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { RetiredList } from '../../../parts/retired/RetiredList';
import { useRetirement } from '../../../state/api/useRetirement';
import { useBookQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import { BookNav } from '../BookNav';
import { BookFiles } from '../files/BookFiles';
import styles from './Formulas.module.css';
import { NewFormula } from './NewFormula';
import { useRouteMessage } from '../what-if/useDoughMessages';

/** The book: every dough, what is made of it and by which way; each to open and to play with. */
export function Formulas() {
  const { t } = useTranslation();
  const house = useHouse();
  const { data: book, error, refetch } = useBookQuery(house);
  const formulas = useRetirement('formulas');
  const products = useRetirement('products');
  const [sought, setSought] = useState('');
  const [isNewOpen, setNewOpen] = useState(false);
  const seeking = useDeferredValue(sought.trim().toLowerCase());
  const collection = useMemo(() => (book ? collectionOf(book) : []), [book]);
  const found = useMemo(
    () => collection.filter(({ names }) => names.includes(seeking)).map(({ record }) => record),
    [collection, seeking],
  );
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
  return (
    <Page
      title={t('stops.formulas')}
      lead={t('formulas.lead')}
      aside={
        <>
          <TextField
            size="small"
            label={t('formulas.filter')}
            value={sought}
            onChange={(event) => setSought(event.target.value)}
          />
          <EditOnly>
            <Button variant="contained" aria-haspopup="dialog" onClick={() => setNewOpen(true)}>
              {t('formulas.new.open')}
            </Button>
          </EditOnly>
        </>
      }
    >
      <BookNav />
      {book.formulas.length === 0 && <p className="quiet">{t('formulas.none')}</p>}
      {book.formulas.length > 0 && found.length === 0 && (
        <p className="quiet">{t('formulas.filterNone')}</p>
      )}
      <Rows key={seeking} house={house} book={book} found={found} />
      <RetiredList
        title={t('retired.formulas', { count: book.retired.formulas.length })}
        records={book.retired.formulas}
        retirement={formulas}
      />
      <RetiredList
        title={t('retired.products', { count: book.retired.products.length })}
        records={book.retired.products}
        retirement={products}
      />
      <BookFiles house={house} book={book} />
      {isNewOpen && (
        <NewFormula house={house} book={book} isOpen onClose={() => setNewOpen(false)} />
      )}
    </Page>
  );
}

/** Rows drawn at first, and again each time the end comes into sight: a book may have hundreds. */
const ROWS = 6;

function Rows({
  house,
  book,
  found,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly found: readonly FormulaRecord[];
}) {
  const { t } = useTranslation();
  const [drawn, setDrawn] = useState(ROWS);
  const end = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    const mark = end.current;
    if (!mark) return;
    const observer = new IntersectionObserver(([entry]) => {
      if (entry?.isIntersecting) setDrawn((before) => before + ROWS);
    });
    observer.observe(mark);
    return () => observer.disconnect();
  }, [drawn]);
  return (
    <>
      <ul className={styles['formulas']}>
        {found.slice(0, drawn).map((formula) => (
          <FormulaRow key={formula.id} house={house} book={book} record={formula} />
        ))}
      </ul>
      {drawn < found.length && (
        <p ref={end} className="quiet">
          {t('formulas.more', { count: found.length - drawn })}
        </p>
      )}
    </>
  );
}

const byName = new Intl.Collator();

/** Every formula by name, with what it may be looked for by: made once for a book, not at every letter. */
function collectionOf(book: HouseBook) {
  return book.formulas
    .map((record) => ({ record, names: namesOf(record, book) }))
    .sort((a, b) => byName.compare(a.record.name, b.record.name));
}

/** Everything a formula may be looked for by. */
function namesOf(formula: FormulaRecord, { products }: HouseBook): string {
  const made = products.filter((product) => product.formulaId === formula.id);
  const flours = formula.formula.flours.map(({ name }) => name);
  return [formula.name, formula.code, ...made.map(({ name }) => name), ...flours]
    .join(' ')
    .toLowerCase();
}

function FormulaRow({
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
  const formatRouteMessage = useRouteMessage();
  const { formula } = record;
  const products = book.products.filter((product) => product.formulaId === record.id);
  const route = book.routes.find(({ id }) => id === products[0]?.routeId);
  return (
    <li className={styles['formula']}>
      <div>
        <h2>
          <Link to={`/${house}/formulas/${record.slug}`}>{record.name}</Link>{' '}
          <span className="mono quiet">{record.code}</span>
        </h2>
        <p>
          {t('formulas.summary', {
            version: record.version,
            flours: formula.flours.map(({ name }) => name).join(' + '),
            water: f.percent(formula.waterPercent),
            salt: f.percent(formula.saltPercent),
            yeast: f.percent(formula.yeast.percent, 3),
            form: t(`ingredient.${formula.yeast.form} yeast`).toLowerCase(),
          })}
        </p>
        {route && <p className="quiet">{formatRouteMessage(route.stages)}</p>}
      </div>
      <div className={styles['products']}>
        {products.map((product) => (
          <Button
            key={product.id}
            variant="outlined"
            component={Link}
            to={`/${house}/formulas/${product.slug}/what-if`}
            aria-label={t('formulas.whatIf.title', { product: product.name })}
          >
            {t('formulas.whatIf.of', {
              product: product.name,
              weight: f.grams(product.ballWeightG),
            })}
          </Button>
        ))}
      </div>
    </li>
  );
}
