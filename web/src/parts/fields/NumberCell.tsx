import InputBase from '@mui/material/InputBase';
import { useRef, useState, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { useMayEdit } from './editing';
import { useFormats } from '../format/useFormats';
import { measureAsRead, type Measure } from './measure';
import styles from './NumberCell.module.css';
import { readNumber, type NumberRule } from './readNumber';

const NOTHING = { ok: true, value: null } as const;

/** Columns and rows that a key goes in a grid. */
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  Enter: [0, 1],
};

/**
 * A number in a table: as wide as its column, typed over, kept on Enter or on leaving. What cannot be
 * kept stays as it was typed, with the reason beneath.
 */
export function NumberCell({
  label,
  value: stored,
  measure,
  unit: ownUnit,
  rule: ownRule,
  step: ownStep,
  disabled = false,
  isBlank = false,
  onMove,
  onFocus,
  onCommit,
}: {
  readonly label: string;
  readonly value: number;
  /** What it is, where a person may read it in other units; value, rule and step are as it is kept. */
  readonly measure?: Measure;
  /** Its unit, where everybody reads it the same. */
  readonly unit?: string;
  readonly rule: NumberRule;
  /** By which the arrow keys change it. */
  readonly step: number;
  readonly disabled?: boolean;
  /** Nobody knows it yet: the cell is empty until something is typed. */
  readonly isBlank?: boolean;
  /** In a grid: arrows and Enter go to the cell there instead of changing the number. */
  readonly onMove?: (cell: HTMLElement, columns: number, rows: number) => void;
  readonly onFocus?: () => void;
  readonly onCommit: (value: number) => void;
}) {
  const { t } = useTranslation();
  const mayEdit = useMayEdit();
  const [typed, setTyped] = useState<string | null>(null);
  const isTyping = useRef(false);
  const f = useFormats();
  const asRead = measure && measureAsRead(measure, f.preferences, ownRule, ownStep);
  const { unit = '', rule, step } = asRead ?? { unit: ownUnit, rule: ownRule, step: ownStep };
  // What is kept is as fine as the house keeps it, in whatever units it was typed.
  const toStored = (value: number) =>
    asRead ? Number(asRead.toStored(value).toFixed(ownRule.decimals)) : value;
  const value = asRead?.toShown(stored) ?? stored;
  const shown = typed ?? (isBlank ? '' : f.plain(value, rule.decimals));
  const read = isBlank && shown === '' ? NOTHING : readNumber(shown, rule);
  const error = read.ok ? null : t(`numbers.${read.reason}`, { limit: read.limit });

  const commit = () => {
    // Enter goes on to another cell, and leaving this one would keep it once more before it is drawn again.
    if (!isTyping.current || typed === null || !read.ok || read.value === null) return;
    isTyping.current = false;
    setTyped(null);
    const isOther = isBlank || read.value !== Number(value.toFixed(rule.decimals));
    if (isOther) onCommit(toStored(read.value));
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const [columns, rows] = MOVES[event.key] ?? [0, 0];
    if (!mayEdit && !onMove) return;
    // Left and right stay inside a number that is being typed.
    const isGoing = onMove && (rows !== 0 || (columns !== 0 && typed === null));
    if (isGoing && read.ok) {
      event.preventDefault();
      commit();
      onMove(event.currentTarget, columns, rows);
    } else if (!mayEdit) {
      // Only the way from cell to cell is open.
    } else if (event.key === 'Enter') {
      // Keeps the number, and nothing more: a form around it must not be sent with what was there before.
      event.preventDefault();
      commit();
    } else if (event.key === 'Escape') setTyped(null);
    else if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && read.ok) {
      event.preventDefault();
      const to = (read.value ?? 0) + (event.key === 'ArrowUp' ? step : -step);
      const next = Number(Math.min(rule.max, Math.max(rule.min, to)).toFixed(rule.decimals));
      setTyped(null);
      onCommit(toStored(next));
    }
  };

  return (
    <div className={styles['cell']} data-read-only={!mayEdit}>
      <InputBase
        fullWidth
        disabled={disabled}
        readOnly={!mayEdit}
        error={error !== null}
        value={shown}
        endAdornment={<span className={styles['unit']}>{unit}</span>}
        onChange={(event) => {
          isTyping.current = true;
          setTyped(event.target.value);
        }}
        onBlur={commit}
        onFocus={(event) => {
          if (onMove) event.target.select();
          onFocus?.();
        }}
        onKeyDown={onKeyDown}
        className={styles['input'] ?? ''}
        slotProps={{
          input: {
            inputMode: 'decimal',
            'aria-label': unit ? `${label} (${unit})` : label,
            'aria-invalid': error !== null,
          },
        }}
      />
      {error && (
        <p className={styles['error']} role="alert">
          {error}
        </p>
      )}
    </div>
  );
}
