import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useMayEdit } from './editing';

/** A short text that is kept on Enter or on leaving; Escape lets go of what was typed. */
export function TextCell({
  label,
  value,
  most,
  isLong = false,
  mayBeEmpty = false,
  width = '100%',
  onCommit,
}: {
  readonly label: string;
  readonly value: string;
  /** Letters at most. */
  readonly most: number;
  /** May run over several lines; Enter then begins a new one. */
  readonly isLong?: boolean;
  readonly mayBeEmpty?: boolean;
  /** px, or any CSS width. */
  readonly width?: number | string;
  readonly onCommit: (value: string) => void;
}) {
  const mayEdit = useMayEdit();
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    if (typed === null) return;
    const clean = typed.trim();
    setTyped(null);
    if (clean !== value && (clean || mayBeEmpty)) onCommit(clean);
  };
  return (
    <TextField
      size="small"
      label={label}
      multiline={isLong}
      value={typed ?? value}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !isLong) commit();
        if (event.key === 'Escape') setTyped(null);
      }}
      slotProps={{ htmlInput: { maxLength: most, readOnly: !mayEdit } }}
      sx={{ width, maxWidth: '100%' }}
    />
  );
}
