import Button from '@mui/material/Button';
import type { FormulaRecord, HouseBook, Product } from '@calm/contract';
import { prefermentFault } from '@calm/domain';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { ProductDialog } from './ProductDialog';
import styles from './ProductsOf.module.css';

/** What is sold of one dough; each to play with and to change, and room for more. */
export function ProductsOf({
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
  const [open, setOpen] = useState<Product | 'new' | null>(null);
  const products = book.products.filter((product) => product.formulaId === record.id);
  return (
    <div className={styles['products']}>
      <ul>
        {products.map((product) => (
          <li key={product.id}>
            <button type="button" aria-haspopup="dialog" onClick={() => setOpen(product)}>
              {product.name}
            </button>{' '}
            <span className="quiet">{f.grams(product.ballWeightG)}</span>
            <Link
              to={`/${house}/formulas/${product.slug}/what-if`}
              aria-label={t('formulas.whatIf.title', { product: product.name })}
            >
              {t('formulas.product.whatIf')}
            </Link>
            <PrefermentFault house={house} book={book} product={product} record={record} />
          </li>
        ))}
      </ul>
      <EditOnly>
        <Button
          size="small"
          variant="outlined"
          disabled={book.routes.length === 0}
          aria-haspopup="dialog"
          onClick={() => setOpen('new')}
        >
          {t('formulas.product.add')}
        </Button>
      </EditOnly>
      {book.routes.length === 0 && (
        <p className="quiet small">
          <Link to={`/${house}/formulas/routes`}>{t('formulas.product.routeFirst')}</Link>
        </p>
      )}
      {open && (
        <ProductDialog
          house={house}
          book={book}
          record={record}
          product={open === 'new' ? null : open}
          onClose={() => setOpen(null)}
        />
      )}
    </div>
  );
}

/** A pre-ferment that nobody would mix: such a product is never planned as its formula says. */
function PrefermentFault({
  house,
  book,
  product,
  record,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly product: Product;
  readonly record: FormulaRecord;
}) {
  const { t } = useTranslation();
  const route = book.routes.find(({ id }) => id === product.routeId);
  const fault = route && prefermentFault(record.formula, route.stages);
  if (!fault) return null;
  return (
    <p role="note" className="small">
      {t(`formulas.product.preferment.${fault}`)}{' '}
      <Link to={`/${house}/formulas/routes/${route.id}`}>{route.name}</Link>
    </p>
  );
}
