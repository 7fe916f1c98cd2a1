import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMayEdit } from './editing';

/** One of a few, in an office form. */
export function Choice<Value extends string | number>({
  label,
  value,
  values,
  say,
  onChange,
  width = 160,
}: {
  readonly label: string;
  readonly value: Value;
  readonly values: readonly Value[];
  readonly say: (value: Value) => string;
  readonly onChange: (value: Value) => void;
  /** px */
  readonly width?: number | string;
}) {
  const mayEdit = useMayEdit();
  return (
    <TextField
      select
      disabled={!mayEdit}
      size="small"
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value as Value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ width }}
    >
      {values.map((each) => (
        <MenuItem key={each} value={each}>
          {say(each)}
        </MenuItem>
      ))}
    </TextField>
  );
}
