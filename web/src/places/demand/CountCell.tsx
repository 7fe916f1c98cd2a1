import type { Forecast, Product, ProductCount, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import { NumberCell } from '../../parts/NumberCell';
import { BALLS } from '../../parts/readNumber';
import { TwoSides } from '../../parts/TwoSides';
import { useCursor } from '../../state/useCursor';
import styles from './Demand.module.css';
import { useCount } from './useCount';

/** One cell of the week: the number, and beneath it what is expected. */
export function CountCell({
  service,
  product,
  count,
  forecast,
  onFocus,
}: {
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
  readonly forecast: Forecast | undefined;
  readonly onFocus: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const state = useCount(service, product, count);
  const isOver = Date.parse(service.endsAt) <= nowMs;
  return (
    <div className={styles['cell']} data-chosen={count.origin === 'chosen'}>
      <NumberCell
        label={t('demand.field', {
          product: product.name,
          service: service.name,
          date: f.date(service.date),
        })}
        value={state.shown}
        rule={BALLS}
        step={1}
        disabled={isOver}
        onFocus={onFocus}
        onMove={goTo}
        onCommit={state.save}
      />
      {state.isUnsaved ? (
        <p data-attention>
          {t('demand.unsaved')}{' '}
          <button type="button" onClick={() => state.save(state.shown)}>
            {t('errors.retry')}
          </button>
        </p>
      ) : isOver ? (
        <p>{t('demand.over')}</p>
      ) : (
        forecast && <p>{t('demand.expects', { count: Math.round(forecast.mean) })}</p>
      )}
      {state.stale && (
        <TwoSides
          what={product.name}
          theirs={f.count(state.stale.theirs.count)}
          mine={f.count(state.stale.mine.count ?? count.usual)}
          onKeepTheirs={state.keepTheirs}
          onUseMine={state.useMine}
        />
      )}
    </div>
  );
}

/** Goes to the next cell that can be typed in, in one direction. */
function goTo(from: HTMLElement, columns: number, rows: number): void {
  const cell = from.closest('td');
  const table = from.closest('table');
  if (!cell || !table) return;
  const lines = [...table.querySelectorAll('tr')].filter((line) => line.querySelector('td input'));
  let line = lines.findIndex((each) => each.contains(cell));
  let column = [...(lines[line]?.querySelectorAll('td') ?? [])].indexOf(cell);
  for (;;) {
    line += rows;
    column += columns;
    const next = lines[line]?.querySelectorAll('td')[column];
    if (!next) return;
    const input = next.querySelector('input');
    if (input && !input.disabled) return input.focus();
  }
}
