import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { FormulaRecord, HouseBook, Product, ProductContent } from '@calm/contract';
import { STANDARD_TARGET, type Target } from '@calm/core';
import { likelyRoute, prefermentFault } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useRetirement } from '../../../state/api/useRetirement';
import { useRecordEditor } from '../../../state/drafts/useRecordEditor';
import { contentOfProduct } from './contents';
import styles from './ProductDialog.module.css';
import {
  useAddProductMutation,
  useChangeProductMutation,
  useRemoveProductMutation,
} from '../recordsApi';

const WEIGHT = { min: 20, max: 5000, decimals: 1 };
const TRIM = { min: 0, max: 60, decimals: 1 };
const PER_TRAY = { min: 1, max: 200, decimals: 0 };
const RISE = { min: 1, max: 5, decimals: 2 };
const OPEN_C = { min: 0, max: 35, decimals: 1 };
const RIPE_H = { min: 0, max: 72, decimals: 1 };
/** Thin, sheeted or flat-baked dough is opened before it has risen much. */
const LOW_TARGET: Target = { ...STANDARD_TARGET, riseMin: 1.1, risePeak: 1.3, riseMax: 1.6 };

/** A product of a dough: its weight, its losses, its route, and how its balls should be. */
export function ProductDialog({
  house,
  book,
  record,
  product,
  onClose,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly record: FormulaRecord;
  /** Null makes a new one. */
  readonly product: Product | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const [add] = useAddProductMutation();
  const [change] = useChangeProductMutation();
  const [remove] = useRemoveProductMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    ProductContent,
    Product
  >({
    house,
    record: product,
    contentOf: contentOfProduct,
    of: 'product',
    start: () => ({
      name: '',
      formulaId: record.id,
      routeId: likelyRoute(record, book.routes)?.id ?? '',
      ballWeightG: 250,
      trimPercent: 0,
      ballsPerTray: 12,
      isFromRemainders: false,
      target: STANDARD_TARGET,
    }),
    writes: { add, change, remove },
    retirement: useRetirement('products'),
    say: {
      kept: ({ name }) =>
        t(product ? 'formulas.product.changed' : 'formulas.product.added', { name }),
      removed: ({ name }) => t('retired.done', { name }),
    },
    onClose,
  });
  const route = book.routes.find(({ id }) => id === content.routeId);
  const fault = route && prefermentFault(record.formula, route.stages);
  const nameOfRoute = (id: string) => book.routes.find((route) => route.id === id)?.name ?? id;

  return (
    <RecordDialog
      title={product ? product.name : t('formulas.product.new')}
      wrong={wrong}
      width="sm"
      onKeep={() => keep({ ...content, name: content.name.trim() })}
      onRemove={product ? takeOut : undefined}
      isRetired
      isRestored={isRestored}
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('formulas.new.name')}
        value={content.name}
        onChange={(event) => put({ name: event.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <Choice
        label={t('formulas.product.route')}
        width="100%"
        value={content.routeId}
        values={book.routes.map(({ id }) => id)}
        say={nameOfRoute}
        onChange={(routeId) => put({ routeId })}
      />
      {fault && <p role="note">{t(`formulas.product.preferment.${fault}`)}</p>}
      <WeightFields book={book} product={product} content={content} onChange={put} />
      <TargetFields target={content.target} onChange={(target) => put({ target })} />
      <FormControlLabel
        control={
          <Switch
            checked={content.isFromRemainders}
            onChange={(_event, isFromRemainders) => put({ isFromRemainders })}
          />
        }
        label={t('formulas.product.fromRemainders')}
      />
    </RecordDialog>
  );
}

/** A ball's weight, how many stand on a tray, and what of the dough is cut away. */
function WeightFields({
  book,
  product,
  content,
  onChange,
}: {
  readonly book: HouseBook;
  readonly product: Product | null;
  readonly content: ProductContent;
  readonly onChange: (to: Partial<ProductContent>) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const learned = book.losses.trims.find(({ productId }) => productId === product?.id);
  return (
    <>
      <div className={styles['row']}>
        <LabelledCell
          name={t('formulas.product.weight')}
          measure="grams"
          value={content.ballWeightG}
          rule={WEIGHT}
          step={5}
          onCommit={(ballWeightG) => onChange({ ballWeightG })}
        />
        <LabelledCell
          name={t('formulas.product.perTray')}
          value={content.ballsPerTray}
          rule={PER_TRAY}
          step={1}
          onCommit={(ballsPerTray) => onChange({ ballsPerTray })}
        />
        <LabelledCell
          name={t('formulas.product.trim')}
          unit="%"
          value={content.trimPercent}
          rule={TRIM}
          step={0.5}
          onCommit={(trimPercent) => onChange({ trimPercent })}
        />
      </div>
      {learned && Math.abs(learned.percent - content.trimPercent) >= 0.05 && (
        <p className="quiet small">
          {t('formulas.product.learnedTrim', {
            lots: learned.lots,
            percent: f.percent(learned.percent),
          })}{' '}
          <Button
            size="small"
            onClick={() => onChange({ trimPercent: Number(learned.percent.toFixed(1)) })}
          >
            {t('formulas.product.useTrim')}
          </Button>
        </p>
      )}
    </>
  );
}

/** How a ball should be when it opens well. */
function TargetFields({
  target,
  onChange,
}: {
  readonly target: Target;
  readonly onChange: (target: Target) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const aim = (to: Partial<Target>) => onChange({ ...target, ...to });
  return (
    <>
      <h3>{t('formulas.product.target')}</h3>
      <div className={styles['row']}>
        {(['riseMin', 'risePeak', 'riseMax'] as const).map((key) => (
          <LabelledCell
            key={key}
            name={t(`formulas.product.${key}`)}
            unit="×"
            value={target[key]}
            rule={RISE}
            step={0.05}
            onCommit={(rise) => aim({ [key]: rise })}
          />
        ))}
        <LabelledCell
          name={t('formulas.product.openTempC')}
          measure="temp"
          value={target.openTempC}
          rule={OPEN_C}
          step={0.5}
          onCommit={(openTempC) => aim({ openTempC })}
        />
        <LabelledCell
          name={t('formulas.product.maturityMinH')}
          unit={f.symbols.h}
          value={target.maturityMinH}
          rule={RIPE_H}
          step={1}
          onCommit={(maturityMinH) => aim({ maturityMinH })}
        />
      </div>
      <div className={styles['row']}>
        <Button size="small" variant="outlined" onClick={() => aim(STANDARD_TARGET)}>
          {t('formulas.product.usual')}
        </Button>
        <Button size="small" variant="outlined" onClick={() => aim(LOW_TARGET)}>
          {t('formulas.product.low')}
        </Button>
      </div>
    </>
  );
}
