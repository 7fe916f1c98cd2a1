import Button from '@mui/material/Button';
import { lotPositionOf } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { stateWord } from '../../../state/board/lotWords';
import type { Board } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { WithBoard } from '../WithBoard';
import styles from './WhatNow.module.css';

/** What can be missing, and the page that answers: the plan shows what breaks, and what settles it. */
const MISSING = [
  { kind: 'mixer-down', to: 'plan?if=mixer-down' },
  { kind: 'away', to: 'plan?if=away' },
  { kind: 'room-down', to: 'plan?if=room-down' },
  { kind: 'oven-down', to: 'tonight/oven' },
  { kind: 'warm-tap', to: 'plan?if=warm-tap' },
  { kind: 'coarse-scale', to: 'tonight/scale' },
  { kind: 'flour-short', to: 'tonight/flour' },
] as const;

/** Something has happened: a lot that does not go as planned, other guests, or something that is missing. */
export function WhatHappened() {
  return <WithBoard>{(board) => <OfHouse board={board} />}</WithBoard>;
}

function OfHouse({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const waiting = board.lots.filter(
    (lot) => lot.lot && lot.closeMs > nowMs && lotPositionOf(lot, nowMs, nowMs).kind !== 'served',
  );
  return (
    <Page title={t('whatNow.title')} lead={t('whatNow.whatHappened')}>
      <Button variant="contained" component={Link} to={`/${board.house}/tonight/guests`}>
        {t('guests.title')}
      </Button>
      <section className={styles['kind']}>
        <h2>{t('whatNow.aLot')}</h2>
        {waiting.length === 0 && <p className="quiet">{t('whatNow.noneWaits')}</p>}
        <ul className={styles['waiting']}>
          {waiting.map((lot) => (
            <li key={lot.code}>
              <Link to={`/${board.house}/tonight/what-now/${lot.code}`}>
                {f.joined(lot.code, lot.recipe.formulaName)}
              </Link>{' '}
              <span className="quiet">
                {t('whatNow.for', {
                  what: stateWord(t, lotPositionOf(lot, nowMs, nowMs)),
                  date: f.date(lot.date),
                })}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section className={styles['kind']}>
        <h2>{t('whatNow.missing')}</h2>
        <p className="quiet">{t('whatNow.missingHow')}</p>
        <div className={styles['missing']}>
          {MISSING.map(({ kind, to }) => (
            <Button key={kind} variant="outlined" component={Link} to={`/${board.house}/${to}`}>
              {t(`whatNow.lacks.${kind}`)}
            </Button>
          ))}
        </div>
      </section>
    </Page>
  );
}
