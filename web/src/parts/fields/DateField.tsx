import TextField from '@mui/material/TextField';
import { lazy, Suspense, type ReactNode } from 'react';
import { useFormats } from '../format/useFormats';
import { useMayEdit } from './editing';

const Picker = lazy(async () => ({ default: (await import('./DatePicker')).DatePicker }));

export interface DateFieldProps {
  readonly label: string;
  /** A local date, `2026-11-25`; null is none. */
  readonly value: string | null;
  readonly isRequired?: boolean;
  /** Local dates beyond which nothing can be chosen. */
  readonly earliest?: string | undefined;
  readonly latest?: string | undefined;
  /** Called with whole dates within the limits only, and with null once the field is empty. */
  readonly onChange: (date: string | null) => void;
}

/**
 * A date as whoever is here writes dates, typed or chosen from a month. Until the calendar has come, and for
 * whoever may not change it, the date stands there to be read.
 */
export function DateField(props: DateFieldProps): ReactNode {
  const mayEdit = useMayEdit();
  const f = useFormats();
  const { label, value, isRequired = false } = props;
  const toRead = (
    <TextField
      size="small"
      label={label}
      required={isRequired}
      value={value === null ? '' : f.fullDate(value)}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { readOnly: true } }}
      sx={{ width: DATE_FIELD_WIDTH }}
    />
  );
  return mayEdit ? (
    <Suspense fallback={toRead}>
      <Picker {...props} />
    </Suspense>
  ) : (
    toRead
  );
}

/** Room for a date and the button that opens the calendar, px. */
export const DATE_FIELD_WIDTH = 184;
