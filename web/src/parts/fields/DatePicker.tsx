import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon';
import { DatePicker as Picker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { DATE_FIELD_WIDTH, type DatePickerProps } from './dateFieldProps';

const dayOf = (date: string): DateTime => DateTime.fromISO(date, { zone: 'utc' });

/** What is being typed or chosen, until it is taken. */
interface Typed {
  readonly to: DateTime | null;
  readonly isGood: boolean;
}

/**
 * The calendar behind `DateField`. A date is taken on Enter, on leaving the field, and when it is chosen in the
 * calendar: half a date stays in the field and changes nothing.
 */
export function DatePicker({
  label,
  value,
  isRequired = false,
  earliest,
  latest,
  onChange,
  begins,
}: DatePickerProps) {
  const { t } = useTranslation();
  const f = useFormats();
  const [typed, setTyped] = useState<Typed | null>(null);
  const [isOpen, setOpen] = useState(begins === 'open');
  const shown = typed ? typed.to : value === null ? null : dayOf(value);
  const isWrong = typed !== null && !typed.isGood;
  const take = (what: Typed | null) => {
    if (!what?.isGood) return;
    const date = what.to?.toISODate() ?? null;
    setTyped(null);
    if (date !== value) onChange(date);
  };
  const example = f.datePattern.replace('dd', '25').replace('MM', '11').replace('yyyy', '2026');
  return (
    <LocalizationProvider
      dateAdapter={AdapterLuxon}
      adapterLocale={f.locale}
      localeText={{
        previousMonth: t('calendar.previousMonth'),
        nextMonth: t('calendar.nextMonth'),
        calendarViewSwitchingButtonAriaLabel: (view) =>
          t(view === 'year' ? 'calendar.toMonth' : 'calendar.toYears'),
        openDatePickerDialogue: (date) =>
          date ? t('calendar.openOn', { label, date }) : t('calendar.open', { label }),
        datePickerToolbarTitle: label,
        dateTableLabel: label,
        cancelButtonLabel: t('calendar.cancel'),
        okButtonLabel: t('calendar.choose'),
        year: t('calendar.year'),
        month: t('calendar.month'),
        day: t('calendar.day'),
        empty: t('calendar.empty'),
        fieldDayPlaceholder: () => t('calendar.dayMark'),
        fieldMonthPlaceholder: () => t('calendar.monthMark'),
        fieldYearPlaceholder: () => t('calendar.yearMark'),
      }}
    >
      <Picker
        label={label}
        autoFocus={begins === 'typing'}
        value={shown}
        format={f.datePattern}
        {...(earliest && { minDate: dayOf(earliest) })}
        {...(latest && { maxDate: dayOf(latest) })}
        timezone="UTC"
        // The device's day is not always the house's.
        disableHighlightToday
        onChange={(to, { validationError }) =>
          setTyped({ to, isGood: to === null ? !isRequired : validationError === null })
        }
        open={isOpen}
        onOpen={() => setOpen(true)}
        onClose={() => setOpen(false)}
        onAccept={(to, { validationError }) => {
          if (isOpen && validationError === null) take({ to, isGood: true });
        }}
        slotProps={{
          textField: {
            size: 'small',
            required: isRequired,
            error: isWrong,
            helperText: isWrong ? t('calendar.wrong', { example }) : undefined,
            onBlur: ({ currentTarget, relatedTarget }) => {
              // From day to month is not away.
              if (!currentTarget.contains(relatedTarget)) take(typed);
            },
            // Enter also sends the form around the field: what is typed has to be in it by then.
            onKeyDownCapture: ({ key }) => {
              if (key === 'Enter') flushSync(() => take(typed));
              else if (key === 'Escape') setTyped(null);
            },
            slotProps: { inputLabel: { shrink: true } },
            sx: { width: DATE_FIELD_WIDTH },
          },
        }}
      />
    </LocalizationProvider>
  );
}
