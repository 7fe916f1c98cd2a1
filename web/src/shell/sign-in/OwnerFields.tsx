import TextField from '@mui/material/TextField';
import { isGoodSecret, PASSWORD_LENGTH, type OwnerStart } from '@calm/contract';
import { useTranslation } from 'react-i18next';

/** Whether an owner's password will do. */
export const isGoodOwner = ({ password }: OwnerStart): boolean => isGoodSecret('manager', password);

/** `Odile Marr` → `OM`, `Odile` → `OD`. */
function initialsOf(name: string): string {
  const words = name.trim().split(/\s+/);
  const letters = words.length > 1 ? words.map(([first = '']) => first).join('') : (words[0] ?? '');
  return letters.slice(0, 2).toUpperCase();
}

/** An owner as typed, with initials of their name where none were. */
export const ownerOf = (typed: OwnerStart): OwnerStart => ({
  ...typed,
  initials: typed.initials || initialsOf(typed.name),
});

/** The first account of a house: the code that the server printed, who it is, and their password. */
export function OwnerFields({
  owner,
  hasTried,
  onChange,
}: {
  readonly owner: OwnerStart;
  /** Only then a password that will not do is told so. */
  readonly hasTried: boolean;
  readonly onChange: (to: Partial<OwnerStart>) => void;
}) {
  const { t } = useTranslation();
  const isWeak = hasTried && !isGoodOwner(owner);
  return (
    <>
      <TextField
        autoFocus
        required
        size="small"
        autoComplete="off"
        label={t('signIn.code')}
        helperText={t('signIn.codeHow')}
        value={owner.code}
        onChange={({ target }) => onChange({ code: target.value })}
        slotProps={{ htmlInput: { maxLength: 40 } }}
      />
      <TextField
        required
        size="small"
        autoComplete="name"
        label={t('signIn.name')}
        value={owner.name}
        onChange={({ target }) => onChange({ name: target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <TextField
        size="small"
        label={t('signIn.initials')}
        placeholder={initialsOf(owner.name)}
        value={owner.initials}
        onChange={({ target }) => onChange({ initials: target.value.toUpperCase() })}
        slotProps={{ htmlInput: { maxLength: 4 }, inputLabel: { shrink: true } }}
      />
      <TextField
        required
        size="small"
        type="password"
        autoComplete="new-password"
        label={t('signIn.password')}
        helperText={t('signIn.passwordHow', { count: PASSWORD_LENGTH.least })}
        error={isWeak}
        slotProps={isWeak ? { formHelperText: { role: 'alert' } } : {}}
        value={owner.password}
        onChange={({ target }) => onChange({ password: target.value })}
      />
    </>
  );
}
