import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

/** Buttons that a thumb hits. */
const BUTTONS = { '& button': { minHeight: 48, minWidth: 48, px: 2 } } as const;

/** One of a few, on a shift screen. */
export function ChoiceButtons<Value extends string | number>({
  labelledBy,
  value,
  values,
  say,
  onChange,
}: {
  /** Id of what asks. */
  readonly labelledBy: string;
  /** Null is none yet. */
  readonly value: Value | null;
  readonly values: readonly Value[];
  readonly say: (value: Value) => string;
  readonly onChange: (value: Value | null) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      value={value}
      aria-labelledby={labelledBy}
      sx={BUTTONS}
      onChange={(_event, to: Value | null) => onChange(to)}
    >
      {values.map((each) => (
        <ToggleButton key={each} value={each}>
          {say(each)}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
