import { lotPositionOf, type BoardLot } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Ball } from '../../parts/lots/Ball';
import { Failed } from '../../parts/messages/Failed';
import { useFormats } from '../../parts/format/useFormats';
import { Page } from '../../parts/layout/Page';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { silhouetteOf, stateWord } from '../../state/board/lotWords';
import { useBoard, type Board } from '../../state/board/useBoard';
import { useCursor } from '../../state/time/useCursor';
import styles from './Mix.module.css';
import { stopOf } from '../../state/board/lotStop';

/** The doughs at the mixer now, and the next to be made. */
export function Mix() {
  const { t } = useTranslation();
  const { atMs, nowMs } = useCursor();
  const { board, error, retry } = useBoard();
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board) return <WaitingPage />;

  const open = board.lots
    .filter((lot) => lot.closeMs > atMs)
    .map((lot) => ({ lot, where: lotPositionOf(lot, atMs, nowMs) }));
  const startOf = (lot: BoardLot) => lot.stages[0]?.startMs ?? 0;
  const inTime = (a: { lot: BoardLot }, b: { lot: BoardLot }) => startOf(a.lot) - startOf(b.lot);
  const atMixer = open.filter(({ where }) => stopOf(where) === 'mix').sort(inTime);
  const toMake = open.filter(({ where }) => where.kind === 'to-make').sort(inTime);
  return (
    <Page title={t('mix.title')} lead={t('mix.lead')}>
      <h2>{t('mix.atMixer')}</h2>
      <Rows board={board} lots={atMixer.map(({ lot }) => lot)} empty={t('mix.atMixerNone')} />
      <h2 className={styles['second']}>{t('mix.toMake')}</h2>
      <Rows board={board} lots={toMake.map(({ lot }) => lot)} empty={t('mix.toMakeNone')} />
    </Page>
  );
}

function Rows({
  board,
  lots,
  empty,
}: {
  readonly board: Board;
  readonly lots: readonly BoardLot[];
  readonly empty: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, nowMs } = useCursor();
  if (lots.length === 0) return <p className="quiet">{empty}</p>;
  return (
    <ul className={styles['rows']}>
      {lots.map((lot) => {
        const where = lotPositionOf(lot, atMs, nowMs);
        const isLate = where.kind === 'to-make' && where.lateMin > 0;
        return (
          <li key={lot.date + lot.product.id}>
            <Link
              to={`/${board.house}/mix/${lot.date}/${lot.product.slug}`}
              className={styles['row']}
            >
              <Ball {...silhouetteOf(where)} />
              <span className={styles['dough']}>
                <b>{lot.recipe.formulaName}</b>
                <span className="quiet small">
                  {lot.items.map((item) => `${f.count(item.count)} ${item.name}`).join(' · ')}
                </span>
              </span>
              <span>
                {where.kind === 'to-make'
                  ? t(`mix.first.${where.next.key}`, { at: f.moment(where.next.startMs) })
                  : stateWord(t, where)}
                {isLate && <b className={styles['late']}> {t('mix.late')}</b>}
              </span>
              <span className="quiet">{t('mix.for', { date: f.date(lot.date) })}</span>
              <span className="mono">{lot.lot ? lot.code : ''}</span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
