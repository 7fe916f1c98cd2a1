import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { problemWords } from '../../../parts/messages/problemWords';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import type { Board } from '../../../state/board/useBoard';
import { usePermission } from '../../../state/api/usePermission';
import styles from './BatchSheet.module.css';
import { useStartLotMutation, useWithdrawLotMutation } from '../mixApi';
import type { Sheet } from './useSheet';

/** Before the start: mixer and start. After: code, and the way back. */
export function SheetHead({ board, sheet }: { readonly board: Board; readonly sheet: Sheet }) {
  const { t } = useTranslation();
  const mayMake = usePermission('make');
  return (
    <>
      {sheet.boardLot.lot ? (
        <UnderWay board={board} sheet={sheet} />
      ) : (
        mayMake && <NotStarted board={board} sheet={sheet} />
      )}
      {sheet.scaled.ok && sheet.boardLot.lot && (
        <Button variant="contained" component={Link} to="ball">
          {t('mix.balling.open')}
        </Button>
      )}
      {sheet.scaled.ok && (
        <Button variant="outlined" component={Link} to="paper">
          {t('mix.paper.open')}
        </Button>
      )}
    </>
  );
}

function NotStarted({ board, sheet }: { readonly board: Board; readonly sheet: Sheet }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed, failed } = useNotices();
  const [start, { isLoading }] = useStartLotMutation();
  const [withdraw] = useWithdrawLotMutation();
  const { boardLot, recipe } = sheet;
  const { house } = board;

  const onStart = async () => {
    const items = boardLot.items.map(({ productId, count }) => ({ productId, count }));
    const { product, date: serviceDate } = boardLot;
    try {
      const lot = await start({
        house,
        start: {
          productId: product.id,
          serviceDate,
          mixerId: recipe.mixer.id,
          items,
          temps: sheet.previewTemps,
        },
      }).unwrap();
      sheet.forgetPreview();
      changed(t('mix.started', { code: lot.code }), () =>
        withdraw({
          house,
          lotId: lot.id,
          change: { isWithdrawn: true, version: lot.version },
        }).unwrap(),
      );
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <>
      <TextField
        select
        size="small"
        label={t('mix.mixer')}
        value={recipe.mixer.id}
        onChange={(event) => sheet.setMixer(event.target.value)}
        sx={{ minWidth: 190 }}
      >
        {board.book.mixers.map((mixer) => (
          <MenuItem key={mixer.id} value={mixer.id}>
            {mixer.name} ({f.kilograms(mixer.minDoughKg * 1000)}–
            {f.kilograms(mixer.maxDoughKg * 1000, 0)})
          </MenuItem>
        ))}
      </TextField>
      <Button
        variant="contained"
        size="large"
        disabled={isLoading || !sheet.scaled.ok}
        onClick={() => void onStart()}
      >
        {t('mix.start')}
      </Button>
    </>
  );
}

function UnderWay({ board, sheet }: { readonly board: Board; readonly sheet: Sheet }) {
  const { t } = useTranslation();
  const { changed, failed } = useNotices();
  const [withdraw, { isLoading }] = useWithdrawLotMutation();
  const mayMake = usePermission('make');
  const { lot } = sheet.boardLot;
  if (!lot) return null;
  const send = (isWithdrawn: boolean, version: number) =>
    withdraw({ house: board.house, lotId: lot.id, change: { isWithdrawn, version } }).unwrap();
  const onWithdraw = async () => {
    try {
      const { version } = await send(true, lot.version);
      changed(t('mix.withdrawn', { code: lot.code }), () => send(false, version));
    } catch {
      failed(t('mix.notWithdrawn'));
    }
  };
  return (
    <>
      <span className={styles['code']}>{lot.code}</span>
      <span className="quiet small">
        {t('mix.by', { mixer: lot.recipe.mixer.name, version: lot.recipe.formulaVersion })}
      </span>
      {mayMake && (
        <Button variant="outlined" disabled={isLoading} onClick={() => void onWithdraw()}>
          {t('mix.withdraw')}
        </Button>
      )}
    </>
  );
}
