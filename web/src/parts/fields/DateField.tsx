import CalendarToday from '@mui/icons-material/CalendarToday';
import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState, type ComponentType, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { DATE_FIELD_WIDTH, type DateFieldProps, type DatePickerProps } from './dateFieldProps';
import { useMayEdit } from './editing';

/** The calendar, once somebody has wanted one: it is heavier than most pages, and seldom opened. */
let loaded: ComponentType<DatePickerProps> | null = null;

/**
 * A date as whoever is here writes dates, typed or chosen from a month. Until somebody goes to it, and for whoever
 * may not change it, the date stands there to be read.
 */
export function DateField(props: DateFieldProps): ReactNode {
  const { t } = useTranslation();
  const mayEdit = useMayEdit();
  const f = useFormats();
  const [Picker, setPicker] = useState(() => loaded);
  const [begins, setBegins] = useState<DatePickerProps['begins']>('still');
  const { label, value, isRequired = false } = props;
  if (Picker && mayEdit) return <Picker {...props} begins={begins} />;
  const want = (how: DatePickerProps['begins']) => {
    setBegins(how);
    void import('./DatePicker').then(({ DatePicker }) => {
      loaded = DatePicker;
      setPicker(() => DatePicker);
    });
  };
  const [year = '', month = '', day = ''] = value?.split('-') ?? [];
  const pattern = f.datePattern;
  return (
    <TextField
      size="small"
      label={label}
      required={isRequired}
      value={
        value === null ? '' : pattern.replace('yyyy', year).replace('MM', month).replace('dd', day)
      }
      placeholder={pattern
        .replace('yyyy', t('calendar.yearMark'))
        .replace('MM', t('calendar.monthMark'))
        .replace('dd', t('calendar.dayMark'))}
      slotProps={{
        inputLabel: { shrink: true },
        htmlInput: { readOnly: true, ...(mayEdit && { onFocus: () => want('typing') }) },
        input: mayEdit
          ? {
              endAdornment: (
                <InputAdornment position="end">
                  <IconButton
                    edge="end"
                    aria-label={t('calendar.open', { label })}
                    onClick={() => want('open')}
                  >
                    <CalendarToday fontSize="small" />
                  </IconButton>
                </InputAdornment>
              ),
            }
          : {},
      }}
      sx={{ width: DATE_FIELD_WIDTH }}
    />
  );
}
