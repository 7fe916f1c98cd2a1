import { holdingLimitsOf, HOUR_MS } from '@calm/core';
import type { Product } from '@calm/contract';
import { type BoardLot, documentOfLot, mixedMsOf, recordOf } from '@calm/domain';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Board } from '../../../state/board/useBoard';
import { addressOfTrays } from '../../../state/board/trayCode';
import { useSimulation } from '../../../workers/engine/useSimulation';
import { QrMark } from './QrMark';
import styles from './Paper.module.css';

const SAID_TO_MS = 15 * 60_000;

/** A label for each tray of a lot. */
export function Labels({
  board,
  lot,
  isRoll,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly isRoll: boolean;
}) {
  return (
    <div className={isRoll ? styles['roll'] : styles['labels']}>
      {lot.items.map((item) => {
        const product = recordOf(board.book, 'products', item.productId);
        return (
          product && (
            <ProductLabels
              key={product.id}
              board={board}
              lot={lot}
              product={product}
              count={item.count}
            />
          )
        );
      })}
    </div>
  );
}

function ProductLabels({
  board,
  lot,
  product,
  count,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly product: Product;
  readonly count: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const preferment = board.book.house.settings.usualTempsC.preferment;
  const document = useMemo(
    () => documentOfLot(lot, product, preferment),
    [lot, product, preferment],
  );
  const answer = useSimulation(document);
  const mixedMs = mixedMsOf(lot);
  const window = answer?.ok ? answer.value.window : null;
  const at = (hour: number) =>
    Math.round(((mixedMs ?? 0) + hour * HOUR_MS) / SAID_TO_MS) * SAID_TO_MS;
  const limits = holdingLimitsOf(lot.recipe.formula, board.book.pantry);
  const trays = Math.ceil(count / product.ballsPerTray);
  const address = addressOfTrays(location.origin, board.house, lot.code);
  return Array.from({ length: trays }, (_, i) => {
    const balls = Math.min(product.ballsPerTray, count - i * product.ballsPerTray);
    return (
      <article key={i} className={styles['label']}>
        <span className={styles['labelSquare']}>
          <QrMark address={address} label={t('mix.paper.trayCode')} />
        </span>
        <p className={styles['labelCode']}>{lot.code}</p>
        <p className={styles['labelName']}>
          {product.name} <span>{f.grams(product.ballWeightG)}</span>
        </p>
        <p>{t('mix.paper.tray', { number: i + 1, of: trays, balls })}</p>
        <p>{t('mix.paper.balledAt')}</p>
        <p>
          {window?.kind === 'ready' && mixedMs !== null
            ? t('mix.paper.opens', {
                from: f.moment(at(window.earliestHour)),
                to: f.time(at(window.latestHour)),
              })
            : t('mix.paper.opensUnknown')}
        </p>
        {limits.map(({ name, aboveC, mostMin }) => (
          <p key={name}>
            {t('mix.paper.holding', {
              name,
              above: f.temperature(aboveC),
              most: f.duration(mostMin),
            })}
          </p>
        ))}
        <p className={styles['labelAllergens']}>
          {t('mix.paper.contains', { what: f.list(lot.recipe.allergens) })}
        </p>
      </article>
    );
  });
}
