import { DAY_MIN } from '@calm/core';
import TextField from '@mui/material/TextField';

/** A time on the wall clock, as minutes from midnight; past 1440 shows the next morning's. */
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
  return (
    <TextField
      type="time"
      size="small"
      required={isRequired}
      label={label}
      value={minute === null ? '' : clockText(minute)}
      onChange={(event) => onChange(clockMinute(event.target.value))}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: 140 }}
    />
  );
}

/** `02:00` for 1560. */
export function clockText(minute: number): string {
  const ofDay = ((minute % DAY_MIN) + DAY_MIN) % DAY_MIN;
  const two = (n: number) => String(n).padStart(2, '0');
  return `${two(Math.floor(ofDay / 60))}:${two(ofDay % 60)}`;
}

/** Minutes from midnight; null when nothing is there. */
function clockMinute(text: string): number | null {
  const [hour, minute] = text.split(':').map(Number);
  return text === '' || hour === undefined || minute === undefined ? null : hour * 60 + minute;
}

/** The minute on or after another at which the clock shows this: 02:00 after 18:00 is 26:00. */
export const onOrAfter = (minute: number, start: number): number =>
  minute > start ? minute : minute + DAY_MIN;
