import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import type { FormulaContent, HouseBook } from '@calm/contract';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { problemOf } from '../../../parts/messages/problemOf';
import { useStartFormulaMutation } from '../formulasApi';
import { plainMethod } from '../method/plainMethod';

/** Asks for a name and a lot code, and puts a plain formula into the book to be edited. */
export function NewFormula({
  house,
  book,
  isOpen,
  onClose,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [code, setCode] = useState('');
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [start, { isLoading }] = useStartFormulaMutation();
  const mixer = book.mixers[0];

  const make = async () => {
    if (!mixer) return setErrors({ '': t('formulas.new.noMixer') });
    const content = plainContent(t, name.trim(), mixer.id, book);
    const note = t('formulas.new.firstNote');
    try {
      const made = await start({ house, start: { code, note, content } }).unwrap();
      void navigate(`/${house}/formulas/${made.slug}`);
    } catch (error) {
      const problem = problemOf(error);
      const told = problem?.errors ?? [{ path: '', message: t('errors.notSaved') }];
      setErrors(Object.fromEntries(told.map(({ path, message }) => [path, message])));
    }
  };
  return (
    <Dialog open={isOpen} onClose={onClose} fullWidth maxWidth="xs">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <DialogTitle>{t('formulas.new.title')}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, overflow: 'visible' }}>
          <TextField
            autoFocus
            required
            label={t('formulas.new.name')}
            value={name}
            error={errors['content/name'] !== undefined}
            helperText={errors['content/name'] ?? errors['']}
            onChange={(event) => setName(event.target.value)}
          />
          <TextField
            required
            label={t('formulas.new.code')}
            value={code}
            error={errors['code'] !== undefined}
            helperText={errors['code'] ?? t('formulas.new.codeHow')}
            onChange={(event) => setCode(event.target.value.toUpperCase())}
            slotProps={{ htmlInput: { maxLength: 4 } }}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{t('formulas.new.cancel')}</Button>
          <Button type="submit" variant="contained" disabled={isLoading}>
            {t('formulas.new.make')}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** An ordinary lean dough of the first flour in the pantry. */
function plainContent(
  t: TFunction,
  name: string,
  mixerId: string,
  { pantry }: HouseBook,
): FormulaContent {
  const flour = pantry.find((thing) => thing.strengthW !== undefined);
  return {
    name,
    doughTempC: 24,
    mixerId,
    method: plainMethod(t),
    formula: {
      flours: [
        {
          name: flour?.name ?? t('formulas.edit.nameOf.flour', { number: 1 }),
          percent: 100,
          ...(flour?.strengthW !== undefined && { strengthW: flour.strengthW }),
        },
      ],
      waterPercent: 62,
      saltPercent: 2.5,
      yeast: { form: 'fresh', percent: 0.4 },
    },
  };
}
