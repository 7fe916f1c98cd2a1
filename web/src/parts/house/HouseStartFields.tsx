import {
  DISPLAY_CHOICES,
  STARTER_SETS,
  type DisplayPreferences,
  type HouseStart,
  type StarterSetName,
} from '@calm/contract';
import Autocomplete from '@mui/material/Autocomplete';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../fields/Choice';
import { LabelledCell } from '../fields/LabelledCell';
import { useFormats } from '../format/useFormats';
import { countries, habitsOf, likelyCountry } from './countries';
import { CurrencyField, ZoneField } from './countryFields';
import styles from './HouseStartFields.module.css';

/** Until somebody says where the house is. */
const ELSEWHERE_CURRENCY = 'EUR';
/** What many codes ask for at most, °C: a value to begin from, which the house has to confirm. */
const USUAL_LIMIT_C = 4;

/**
 * What a house begins with, as this browser's own place suggests.
 *
 * @param readNow how this device reads: whoever sets a house up goes on in their language
 */
export function likelyStart(readNow: DisplayPreferences): {
  readonly country: string | null;
  readonly start: HouseStart;
} {
  const country = likelyCountry();
  const habits = habitsOf(country ?? 'IT');
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
  return {
    country,
    start: {
      name: '',
      timeZone: habits.zones.includes(timeZone) ? timeZone : (habits.zones[0] ?? timeZone),
      currency: habits.currency ?? ELSEWHERE_CURRENCY,
      display: { ...habits.display, language: readNow.language },
      coldLimitC: USUAL_LIMIT_C,
      starter: null,
    },
  };
}

/** What a new house is called, where it is, what its code asks for, and what it begins with. */
export function HouseStartFields({
  start,
  firstCountry,
  onChange,
}: {
  readonly start: HouseStart;
  readonly firstCountry: string | null;
  readonly onChange: (to: Partial<HouseStart>) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [country, setCountry] = useState(firstCountry);
  const all = useMemo(() => countries(f.preferences.language), [f.preferences.language]);
  const habits = country === null ? null : habitsOf(country);
  const { display } = start;
  return (
    <div className={styles['fields']}>
      <TextField
        required
        size="small"
        label={t('newHouse.name')}
        value={start.name}
        onChange={(typed) => onChange({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <Autocomplete
        size="small"
        options={all}
        value={all.find(({ code }) => code === country) ?? null}
        getOptionKey={({ code }) => code}
        getOptionLabel={({ name }) => name}
        onChange={(_event, chosen) => {
          setCountry(chosen?.code ?? null);
          if (!chosen) return;
          const usual = habitsOf(chosen.code);
          onChange({
            display: { ...usual.display, language: display.language },
            ...(usual.currency && { currency: usual.currency }),
            ...(usual.zones[0] && { timeZone: usual.zones[0] }),
          });
        }}
        renderInput={(props) => (
          <TextField
            {...props}
            label={t('newHouse.country')}
            helperText={t('newHouse.countryHow')}
          />
        )}
      />
      <div className={styles['pair']}>
        <ZoneField
          value={start.timeZone}
          first={habits?.zones ?? []}
          onChange={(timeZone) => onChange({ timeZone })}
        />
        <CurrencyField value={start.currency} onChange={(currency) => onChange({ currency })} />
      </div>
      {habits && habits.currency === null && (
        <p className="small" role="status">
          {t('newHouse.noCurrency')}
        </p>
      )}
      <div className={styles['choices']}>
        {(['language', 'mass', 'temp', 'clock', 'week'] as const).map((of) => (
          <Choice
            key={of}
            width="100%"
            label={t(`reading.title.${of}`)}
            value={display[of]}
            values={DISPLAY_CHOICES[of]}
            say={(value) => t(`newHouse.reads.${value}`)}
            onChange={(value) => onChange({ display: { ...display, [of]: value } })}
          />
        ))}
      </div>
      <LabelledCell
        name={t('newHouse.limit')}
        measure="temp"
        value={start.coldLimitC}
        rule={{ min: -5, max: 20, decimals: 1 }}
        step={0.5}
        onCommit={(coldLimitC) => onChange({ coldLimitC })}
      />
      <p className="quiet small">
        {t('newHouse.limitWhose', { one: f.temperature(4, 0), other: f.temperature(5, 0) })}
      </p>
      <TextField
        select
        size="small"
        label={t('newHouse.begin')}
        value={start.starter ?? 'nothing'}
        helperText={t(`newHouse.set.${start.starter ?? 'nothing'}.what`)}
        onChange={({ target }) =>
          onChange({
            starter: target.value === 'nothing' ? null : (target.value as StarterSetName),
          })
        }
      >
        {(['nothing', ...STARTER_SETS] as const).map((name) => (
          <MenuItem key={name} value={name}>
            {t(`newHouse.set.${name}.name`)}
          </MenuItem>
        ))}
      </TextField>
    </div>
  );
}
