import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { currencies, zones } from './countries';

/** A time zone by its name. */
export function ZoneField({
  value,
  first = [],
  onChange,
}: {
  readonly value: string;
  /** Zones that are likely, before the others. */
  readonly first?: readonly string[];
  readonly onChange: (zone: string) => void;
}) {
  const { t } = useTranslation();
  const all = useMemo(() => [...new Set([...first, value, ...zones()])], [first, value]);
  return (
    <Autocomplete
      disableClearable
      size="small"
      options={all}
      value={value}
      getOptionLabel={(zone) => zone.replaceAll('_', ' ')}
      onChange={(_event, zone) => onChange(zone)}
      renderInput={(props) => <TextField {...props} required label={t('newHouse.zone')} />}
    />
  );
}

/** What money is counted in. */
export function CurrencyField({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (currency: string) => void;
}) {
  const { t } = useTranslation();
  const { preferences } = useFormats();
  const names = useMemo(
    () => new Intl.DisplayNames([preferences.language], { type: 'currency' }),
    [preferences.language],
  );
  return (
    <Autocomplete
      disableClearable
      size="small"
      options={currencies()}
      value={value}
      getOptionLabel={(code) => `${code} · ${names.of(code) ?? code}`}
      onChange={(_event, code) => onChange(code)}
      renderInput={(props) => <TextField {...props} required label={t('newHouse.currency')} />}
    />
  );
}
