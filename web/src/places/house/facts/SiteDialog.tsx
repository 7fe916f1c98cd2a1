import { STANDARD_COLD_RULES, STANDARD_CURRENCY, type House } from '@calm/contract';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import { CurrencyField, ZoneField } from '../../../parts/house/countryFields';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useChangeHouse } from '../../../state/api/useChangeHouse';

/** What a house is called, where it is, and what it counts money in. */
export function SiteDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const [name, setName] = useState(house.name);
  const [timeZone, setTimeZone] = useState(house.timeZone);
  const [currency, setCurrency] = useState(house.settings.currency ?? STANDARD_CURRENCY);
  const cold = house.settings.cold ?? STANDARD_COLD_RULES;
  const [limitC, setLimitC] = useState(cold.limitC);
  return (
    <RecordDialog
      title={t('house.site.title')}
      wrong={wrong}
      onKeep={() => keep({ name: name.trim(), timeZone, currency, cold: { ...cold, limitC } })}
      onClose={onClose}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('house.site.name')}
        value={name}
        onChange={(typed) => setName(typed.target.value)}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <ZoneField value={timeZone} onChange={setTimeZone} />
      <p className="quiet small">{t('house.site.zoneWhy')}</p>
      <CurrencyField value={currency} onChange={setCurrency} />
      <LabelledCell
        name={t('newHouse.limit')}
        measure="temp"
        value={limitC}
        rule={{ min: -5, max: 20, decimals: 1 }}
        step={0.5}
        onCommit={setLimitC}
      />
      <p className="quiet small">
        {t('newHouse.limitWhose', { one: f.temperature(4, 0), other: f.temperature(5, 0) })}
      </p>
    </RecordDialog>
  );
}
