/** What a field for a date is told. */
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

/** Room for a date and the button that opens the calendar, px. */
export const DATE_FIELD_WIDTH = 204;

/** What the calendar behind a date field is told. */
export interface DatePickerProps extends DateFieldProps {
  /** It was there from the start, or came because somebody went to the field or wanted the calendar. */
  readonly begins: 'still' | 'typing' | 'open';
}
