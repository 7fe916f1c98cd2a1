import AddIcon from '@mui/icons-material/Add';
import RemoveIcon from '@mui/icons-material/Remove';
import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { useMayEdit } from './editing';
import { useFormats } from '../format/useFormats';
import { measureAsRead, type Measure } from './measure';
import { readNumber, type NumberRule } from './readNumber';

/**
 * A field for one number. It keeps what was typed, says at once what is wrong with it, and hands on
 * only what is right: while typing through `onInput`, and for good through `onCommit`.
 */
export function NumberField({
  label,
  value: stored,
  measure,
  unit: ownUnit,
  rule: ownRule,
  step: ownStep = 1,
  hint,
  size = 'shift',
  isLabelHidden = false,
  disabled = false,
  onInput,
  onCommit,
}: {
  readonly label: string;
  /** Null is an empty field. */
  readonly value: number | null;
  /** What it is, where a person may read it in other units; value, rule and step are as it is kept. */
  readonly measure?: Measure;
  /** Its unit, where everybody reads it the same. */
  readonly unit?: string;
  readonly rule: NumberRule;
  readonly step?: number;
  readonly hint?: string;
  /** For a desk, for floury hands, or to be read from two metres. */
  readonly size?: 'office' | 'shift' | 'far';
  readonly isLabelHidden?: boolean;
  readonly disabled?: boolean;
  readonly onInput?: (value: number) => void;
  /** Null only where the rule lets the field be empty. */
  readonly onCommit: (value: number | null) => void;
}) {
  const { t } = useTranslation();
  const mayEdit = useMayEdit();
  /** What is being typed; null shows the value. */
  const [typed, setTyped] = useState<string | null>(null);
  const f = useFormats();
  const asRead = measure && measureAsRead(measure, f.preferences, ownRule, ownStep);
  const { unit, rule, step } = asRead ?? { unit: ownUnit, rule: ownRule, step: ownStep };
  // What is kept is as fine as the house keeps it, in whatever units it was typed.
  const toStored = (value: number) =>
    asRead ? Number(asRead.toStored(value).toFixed(ownRule.decimals)) : value;
  const value = stored === null ? null : (asRead?.toShown(stored) ?? stored);
  const standing = value === null ? '' : f.plain(value, rule.decimals);
  const shown = typed ?? standing;
  const read = readNumber(shown, rule);
  const error = read.ok ? null : t(`numbers.${read.reason}`, { limit: read.limit });

  const commit = () => {
    if (typed === null || !read.ok) return;
    setTyped(null);
    if (typed !== standing) onCommit(read.value === null ? null : toStored(read.value));
  };
  const stepBy = (steps: number) => {
    const from = read.ok ? (read.value ?? 0) : (value ?? 0);
    const next = Math.min(rule.max, Math.max(rule.min, from + steps * step));
    const rounded = Number(next.toFixed(rule.decimals));
    setTyped(null);
    onInput?.(toStored(rounded));
    if (rounded !== value) onCommit(toStored(rounded));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (!mayEdit) return;
    if (event.key === 'Enter') commit();
    else if (event.key === 'Escape') {
      setTyped(null);
      if (stored !== null) onInput?.(stored);
    } else if (event.key === 'ArrowUp') stepBy(1);
    else if (event.key === 'ArrowDown') stepBy(-1);
    else return;
    if (event.key !== 'Enter') event.preventDefault();
  };
  const stepButton = (steps: number) => (
    <IconButton
      tabIndex={-1}
      disabled={disabled || !mayEdit}
      aria-label={t(steps > 0 ? 'numbers.more' : 'numbers.less', { label })}
      onClick={() => stepBy(steps)}
      sx={size === 'office' ? { width: 40, height: 40 } : { width: 48, height: 48 }}
    >
      {steps > 0 ? <AddIcon /> : <RemoveIcon />}
    </IconButton>
  );

  return (
    <TextField
      fullWidth
      size={size === 'office' ? 'small' : 'medium'}
      disabled={disabled}
      label={isLabelHidden ? undefined : label}
      value={shown}
      error={error !== null}
      helperText={error ?? hint}
      onChange={(event) => {
        setTyped(event.target.value);
        const now = readNumber(event.target.value, rule);
        if (now.ok && now.value !== null) onInput?.(toStored(now.value));
      }}
      onBlur={commit}
      onKeyDown={onKeyDown}
      slotProps={{
        htmlInput: {
          readOnly: !mayEdit,
          inputMode: rule.decimals > 0 ? 'decimal' : 'numeric',
          'aria-label': unit ? `${label} (${unit})` : label,
          style: { fontSize: size === 'far' ? 28 : 20, fontWeight: 650, textAlign: 'center' },
        },
        input: {
          startAdornment: <InputAdornment position="start">{stepButton(-1)}</InputAdornment>,
          endAdornment: (
            <InputAdornment position="end">
              {unit}
              {stepButton(1)}
            </InputAdornment>
          ),
          sx: { px: 0 },
        },
      }}
    />
  );
}
