import type { BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { Message } from '../../../parts/messages/Message';
import type { Board } from '../../../state/board/useBoard';
import { Labels } from './Labels';
import styles from './Paper.module.css';
import { PaperSheet } from './PaperSheet';
import { WithLot } from '../WithLot';

type Kind = 'sheet' | 'labels' | 'roll';
const KINDS: readonly Kind[] = ['sheet', 'labels', 'roll'];

/** A lot on paper: a page for each load, or a label for each tray, on sheets or a 62-mm roll. */
export function Paper() {
  const { t } = useTranslation();
  return (
    <WithLot>
      {(board, lot) =>
        lot.scaled.ok ? (
          <OnPaper board={board} lot={lot} />
        ) : (
          <Message
            title={t('mix.none.notWanted')}
            text={t('mix.none.unknownHow')}
            link={{ label: t('stops.mix'), to: `/${board.house}/mix` }}
          />
        )
      }
    </WithLot>
  );
}

function OnPaper({ board, lot }: { readonly board: Board; readonly lot: BoardLot }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [params, setParams] = useSearchParams();
  const asked = params.get('as') as Kind | null;
  const kind = asked && KINDS.includes(asked) ? asked : 'sheet';
  const sheetPath = `/${board.house}/mix/${lot.date}/${lot.product.slug}`;
  return (
    <div className={styles['paper']} data-kind={kind}>
      <div className={`${styles['bar']} no-print`}>
        <h1>{t('mix.paper.title', { dough: lot.recipe.formulaName, date: f.date(lot.date) })}</h1>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={kind}
          aria-label={t('mix.paper.kind')}
          onChange={(_event, to: Kind | null) => to && setParams({ as: to }, { replace: true })}
        >
          {KINDS.map((each) => (
            <ToggleButton key={each} value={each}>
              {t(`mix.paper.${each}`)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Button variant="contained" onClick={() => window.print()}>
          {t('mix.paper.print')}
        </Button>
        <Button variant="outlined" component={Link} to={sheetPath}>
          {t('mix.paper.back')}
        </Button>
      </div>
      {kind === 'sheet' ? (
        <PaperSheet board={board} lot={lot} address={`${window.location.origin}${sheetPath}`} />
      ) : (
        <Labels board={board} lot={lot} isRoll={kind === 'roll'} />
      )}
    </div>
  );
}
