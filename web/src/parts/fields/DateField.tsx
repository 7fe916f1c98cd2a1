import TextField from '@mui/material/TextField';
import { lazy, Suspense, type ReactNode } from 'react';
import { useFormats } from '../format/useFormats';
import { DATE_FIELD_WIDTH, type DateFieldProps } from './dateFieldProps';
import { useMayEdit } from './editing';

const Picker = lazy(async () => ({ default: (await import('./DatePicker')).DatePicker }));

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
