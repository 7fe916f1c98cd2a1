import { DAY_MIN } from '@calm/core';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { readClockTime } from './clockTime';
import { useMayEdit } from './editing';

/** Arrow keys change a time by so much, minutes. */
const STEP_MIN = 5;

/**
 * A time on the wall clock as whoever is here reads clocks, as minutes from midnight; past 1440 shows the next
 * morning's. It is taken on Enter and on leaving; Escape lets go of what was typed.
 */
export function TimeOfDay({
  label,
  minute,
  isRequired = false,
  onChange,
}: {
  readonly label: string;
  /** Null is none. */
  readonly minute: number | null;
  readonly isRequired?: boolean;
  readonly onChange: (minute: number | null) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const mayEdit = useMayEdit();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (minute === null ? '' : f.timeOfDay(minute));
  const isEmpty = shown.trim() === '';
  const read = readClockTime(shown);
  const isWrong = isEmpty ? isRequired && typed !== null : read === null;
  const commit = () => {
    if (typed === null || isWrong) return;
    setTyped(null);
    onChange(isEmpty ? null : read);
  };
  return (
    <TextField
      size="small"
      required={isRequired}
      label={label}
      value={shown}
      error={isWrong}
      helperText={isWrong ? t('numbers.no-time', { example: f.timeOfDay(EXAMPLE_MIN) }) : undefined}
      onChange={(event) => {
        setTyped(event.target.value);
        const now = readClockTime(event.target.value);
        // What is typed whole counts at once: a form may be sent from here.
        if (now !== null && /\d\d$|m\.?$/i.test(event.target.value.trim())) onChange(now);
      }}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        else if (event.key === 'Escape' && typed !== null) setTyped(null);
        else if (mayEdit && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
          event.preventDefault();
          setTyped(null);
          const by = event.key === 'ArrowUp' ? STEP_MIN : -STEP_MIN;
          onChange(((((read ?? minute ?? 0) + by) % DAY_MIN) + DAY_MIN) % DAY_MIN);
        }
      }}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { readOnly: !mayEdit } }}
      sx={{ width: 140 }}
    />
  );
}

/** When it is half past five in the afternoon, to show how times are written. */
const EXAMPLE_MIN = 17 * 60 + 30;
