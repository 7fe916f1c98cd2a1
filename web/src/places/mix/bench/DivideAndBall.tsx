import { currentRecords, type BoardLot, recordOf } from '@calm/domain';
import type { Product } from '@calm/contract';
import { pieceRun, stageKey, useRemainder as remainderUse, workOf, randomOf } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberField } from '../../../parts/fields/NumberField';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import type { Board } from '../../../state/board/useBoard';
import { useMark } from '../../../state/outbox/useMark';
import { useAddRecord, useLotRecords } from '../../../state/outbox/useRecords';
import { useWakeLock } from '../../../state/time/useWakeLock';
import styles from './DivideAndBall.module.css';
import { Losses } from '../sheet/Losses';
import { PieceChart } from './PieceChart';
import { useBenchScale } from './useBenchScale';
import { WithStartedLot } from '../WithLot';

/** Dividing and balling: every piece on the scale, the run of the hand, trays, and what is left. */
export function DivideAndBall() {
  return (
    <WithStartedLot>
      {(board, lot) => <Balling key={lot.lot?.id} board={board} boardLot={lot} />}
    </WithStartedLot>
  );
}

function Balling({ board, boardLot }: { readonly board: Board; readonly boardLot: BoardLot }) {
  useWakeLock(true);
  const { t } = useTranslation();
  const f = useFormats();
  const { house, book } = board;
  const { lot } = boardLot;
  const made = boardLot.items.flatMap((item) => {
    const product = recordOf(book, 'products', item.productId);
    return product ? [{ item, product }] : [];
  });
  const work = workOf(boardLot.stages).find(({ key }) => key === 'divide-ball' || key === 'pan');
  const title = work ? t(`work.${work.key}`) : '';
  const tick = useMark(house, lot, 0, work ? stageKey(work) : '', title);
  const sheetPath = `/${house}/mix/${boardLot.date}/${boardLot.product.slug}`;
  if (!lot) return null;
  return (
    <Page
      title={t('mix.balling.title', { code: boardLot.code })}
      lead={made
        .map(({ item, product }) =>
          t('mix.balling.trays', {
            balls: f.count(item.count),
            product: product.name,
            count: Math.ceil(item.count / product.ballsPerTray),
            each: product.ballsPerTray,
          }),
        )
        .join(' · ')}
      aside={
        <>
          <Button
            component={Link}
            to={`${sheetPath}/paper?as=roll`}
            variant="outlined"
            size="large"
          >
            {t('mix.balling.labels')}
          </Button>
          <Button component={Link} to={sheetPath} variant="outlined" size="large">
            {t('mix.paper.back')}
          </Button>
        </>
      }
    >
      {made.map(({ product }) => (
        <Pieces
          key={product.id}
          house={house}
          boardLot={boardLot}
          product={product}
          tolerancePercent={book.house.settings.ballTolerancePercent}
        />
      ))}
      <Remainder board={board} boardLot={boardLot} />
      <Losses house={house} lot={lot} />
      {work && (
        <Button
          variant="contained"
          size="large"
          className={styles['done'] ?? ''}
          disabled={tick.isDone}
          onClick={() => tick.toggle(true)}
        >
          {tick.doneAt === null
            ? t(`workDone.${work.key}`)
            : t('mix.onward.doneAt', { at: f.moment(Date.parse(tick.doneAt)) })}
        </Button>
      )}
      <Caution about="knives" />
      <Caution about="raw-dough" />
    </Page>
  );
}

/** How far hands are off with a piece: one standard deviation, share of its weight. */
const HAND_SPREAD = 0.011;

/** The pieces of one product: the scale, the chart, and what the last ten say. */
function Pieces({
  house,
  boardLot,
  product,
  tolerancePercent,
}: {
  readonly house: string;
  readonly boardLot: BoardLot;
  readonly product: Product;
  readonly tolerancePercent: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const scale = useBenchScale(1);
  const add = useAddRecord(house);
  const lotId = boardLot.lot?.id ?? '';
  const records = useLotRecords(house, boardLot.lot?.id ?? null);
  const grams = currentRecords(records, 'piece')
    .filter(({ content }) => content.productId === product.id && content.grams > 1)
    .map(({ content }) => content.grams);
  const run = pieceRun(grams, product.ballWeightG, tolerancePercent);
  const take = (weight: number) => {
    const content = { kind: 'piece', productId: product.id, grams: weight } as const;
    const words = t('mix.balling.piece', { product: product.name, grams: f.grams(weight) });
    const id = add(lotId, content, words);
    scale.clear();
    // A record is never taken away: the weight it is corrected to says that there was no piece.
    changed(
      words,
      () => {
        add(lotId, { ...content, grams: 1 }, t('mix.balling.noPiece'), id);
        return Promise.resolve();
      },
      { isQuiet: true },
    );
  };
  // Hands are right to some grams: what the simulated scale is given.
  const place = () => {
    scale.clear();
    const byHand = randomOf(grams.length + 1).normal() * HAND_SPREAD;
    scale.put(product.ballWeightG * (1 + byHand));
  };
  return (
    <section className={styles['pieces']} aria-label={product.name}>
      <div className={styles['scale']}>
        <h2>
          {product.name} <span className="quiet">{f.grams(product.ballWeightG)}</span>
        </h2>
        <p className={styles['shown']} data-stable={scale.isStable} role="status">
          {f.grams(scale.grams)}
        </p>
        <div className={styles['hands']}>
          <Button variant="outlined" size="large" onClick={place}>
            {t('mix.balling.place')}
          </Button>
          <Button
            variant="contained"
            size="large"
            disabled={!scale.isStable || scale.grams < 2}
            onClick={() => take(scale.grams)}
          >
            {t('mix.weighOff.take')}
          </Button>
        </div>
        <NumberField
          label={t('mix.weighOff.typed')}
          measure="grams"
          rule={{ min: 2, max: 5000, decimals: 0, mayBeEmpty: true }}
          value={null}
          onCommit={(weight) => weight !== null && take(weight)}
        />
      </div>
      <div>
        <p className={styles['verdict']} data-verdict={run?.verdict ?? 'none'} role="status">
          {run
            ? t(`mix.balling.verdict.${run.verdict}`, {
                count: run.pieces,
                off:
                  run.verdict === 'good'
                    ? `${run.offG > 0 ? '+' : ''}${f.grams(run.offG, 1)}`
                    : f.grams(Math.abs(run.offG), 1),
                outside: run.outside,
                scatter: f.grams(run.scatterG, 1),
              })
            : t('mix.balling.verdict.none')}
        </p>
        <PieceChart
          grams={grams}
          targetG={product.ballWeightG}
          tolerancePercent={tolerancePercent}
        />
      </div>
    </section>
  );
}

/** What the dough makes beyond its whole balls. */
function Remainder({ board, boardLot }: { readonly board: Board; readonly boardLot: BoardLot }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { book } = board;
  if (!boardLot.scaled.ok) return null;
  const { remainderG, totals } = boardLot.scaled.value;
  const smaller = book.products.find(
    ({ isFromRemainders, formulaId }) =>
      isFromRemainders && formulaId === boardLot.recipe.formulaId,
  );
  const use = remainderUse(
    remainderG,
    totals.balls,
    boardLot.product.ballWeightG,
    book.house.settings.ballTolerancePercent,
    smaller?.ballWeightG,
  );
  const words = {
    left: f.grams(remainderG),
    product: smaller?.name ?? '',
    count: use.kind === 'smaller' ? use.count : 0,
    each: use.kind === 'shared' ? f.grams(use.extraPerBallG, 1) : '',
  };
  return <p className={styles['left']}>{t(`mix.balling.left.${use.kind}`, words)}</p>;
}
