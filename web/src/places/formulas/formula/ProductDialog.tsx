import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { FormulaRecord, HouseBook, Product, ProductContent } from '@calm/contract';
import { STANDARD_TARGET, type Target } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/format';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useNotices } from '../../../parts/messages/Notices';
import { problemOf } from '../../../parts/messages/problemOf';
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
  const f = useFormats();
  const [content, setContent] = useState<ProductContent>(() =>
    product
      ? contentOfProduct(product)
      : {
          name: '',
          formulaId: record.id,
          routeId: book.routes[0]?.id ?? '',
          ballWeightG: 250,
          trimPercent: 0,
          ballsPerTray: 12,
          isFromRemainders: false,
          target: STANDARD_TARGET,
        },
  );
  const put = (to: Partial<ProductContent>) => setContent((before) => ({ ...before, ...to }));
  const aim = (to: Partial<Target>) => put({ target: { ...content.target, ...to } });
  const { keep, remove, wrong } = useRecordEditor(house, product, onClose);
  const learned = book.losses.trims.find(({ productId }) => productId === product?.id);
  const nameOfRoute = (id: string) => book.routes.find((route) => route.id === id)?.name ?? id;

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void keep({ ...content, name: content.name.trim() });
        }}
      >
        <DialogTitle>{product ? product.name : t('formulas.product.new')}</DialogTitle>
        <DialogContent className={styles['form'] ?? ''}>
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
          <div className={styles['row']}>
            <LabelledCell
              name={t('formulas.product.weight')}
              measure="grams"
              value={content.ballWeightG}
              rule={WEIGHT}
              step={5}
              onCommit={(ballWeightG) => put({ ballWeightG })}
            />
            <LabelledCell
              name={t('formulas.product.perTray')}
              value={content.ballsPerTray}
              rule={PER_TRAY}
              step={1}
              onCommit={(ballsPerTray) => put({ ballsPerTray })}
            />
            <LabelledCell
              name={t('formulas.product.trim')}
              unit="%"
              value={content.trimPercent}
              rule={TRIM}
              step={0.5}
              onCommit={(trimPercent) => put({ trimPercent })}
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
                onClick={() => put({ trimPercent: Number(learned.percent.toFixed(1)) })}
              >
                {t('formulas.product.useTrim')}
              </Button>
            </p>
          )}
          <h3>{t('formulas.product.target')}</h3>
          <div className={styles['row']}>
            {(['riseMin', 'risePeak', 'riseMax'] as const).map((key) => (
              <LabelledCell
                key={key}
                name={t(`formulas.product.${key}`)}
                unit="×"
                value={content.target[key]}
                rule={RISE}
                step={0.05}
                onCommit={(rise) => aim({ [key]: rise })}
              />
            ))}
            <LabelledCell
              name={t('formulas.product.openTempC')}
              measure="temp"
              value={content.target.openTempC}
              rule={OPEN_C}
              step={0.5}
              onCommit={(openTempC) => aim({ openTempC })}
            />
            <LabelledCell
              name={t('formulas.product.maturityMinH')}
              unit="h"
              value={content.target.maturityMinH}
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
          <FormControlLabel
            control={
              <Switch
                checked={content.isFromRemainders}
                onChange={(_event, isFromRemainders) => put({ isFromRemainders })}
              />
            }
            label={t('formulas.product.fromRemainders')}
          />
          {wrong && (
            <p role="alert" className={styles['wrong']}>
              {wrong}
            </p>
          )}
        </DialogContent>
        <DialogActions>
          {product && (
            <Button color="error" onClick={() => void remove()}>
              {t('formulas.product.remove')}
            </Button>
          )}
          <Button onClick={onClose}>{t('formulas.new.cancel')}</Button>
          <Button type="submit" variant="contained">
            {t('formulas.product.keep')}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** Adding, changing and taking away, each with its way back. */
function useRecordEditor(house: string, product: Product | null, onClose: () => void) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [add] = useAddProductMutation();
  const [change] = useChangeProductMutation();
  const [drop] = useRemoveProductMutation();
  const [wrong, setWrong] = useState<string | null>(null);
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
      onClose();
    } catch (error) {
      const problem = problemOf(error);
      setWrong(
        problem?.type === '/problems/stale'
          ? t('formulas.product.stale')
          : problem?.type === '/problems/in-use'
            ? t('formulas.product.inUse')
            : (problem?.detail ?? t('errors.notSaved')),
      );
    }
  };
  const keep = (content: ProductContent) =>
    tried(async () => {
      if (!product) {
        const added = await add({ house, content }).unwrap();
        changed(t('formulas.product.added', { name: added.name }), () =>
          drop({ house, id: added.id }).unwrap(),
        );
        return;
      }
      const { id, version } = product;
      const saved = await change({ house, id, change: { version, content } }).unwrap();
      const before = { version: saved.version, content: contentOfProduct(product) };
      changed(t('formulas.product.changed', { name: saved.name }), () =>
        change({ house, id, change: before }).unwrap(),
      );
    });
  const remove = () =>
    tried(async () => {
      if (!product) return;
      await drop({ house, id: product.id }).unwrap();
      changed(t('formulas.product.removed', { name: product.name }), () =>
        add({ house, content: contentOfProduct(product) }).unwrap(),
      );
    });
  return { keep, remove, wrong };
}
