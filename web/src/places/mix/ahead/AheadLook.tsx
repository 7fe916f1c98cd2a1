import { PREFERMENT_LOOKS, type Lot, type LotRecord, type PrefermentLook } from '@calm/contract';
import { currentRecords } from '@calm/domain';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { NumberField } from '../../../parts/fields/NumberField';
import { KITCHEN_TEMP } from '../../../parts/fields/readNumber';
import { useFormats } from '../../../parts/format/useFormats';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import { useAddRecord } from '../../../state/outbox/useRecords';
import styles from './Ahead.module.css';

/** How a pre-ferment stands before it goes into the bowl, and what that asks for. */
export function AheadLook({
  house,
  lot,
  records,
}: {
  readonly house: string;
  readonly lot: Lot;
  readonly records: readonly LotRecord[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const add = useAddRecord(house);
  const post = useOutboxItems(house);
  const last = currentRecords(records, 'preferment').at(-1);
  const found = last?.content.found ?? null;
  const tempC = last?.content.tempC ?? null;
  const keep = (to: PrefermentLook, toC: number | null) =>
    add(
      lot.id,
      { kind: 'preferment', found: to, tempC: toC, note: '' },
      `${lot.code}: ${t(`preferment.${to}`)}`,
      last?.id,
    );
  /** Every load that has not come out yet is poured by what the thermometer shows. */
  const measured = (toC: number) => {
    if (found) keep(found, toC);
    for (const { number, version, ...load } of lot.loads) {
      if (load.doughOutC !== null) continue;
      const { roomTempC, flourTempC, tapTempC, doughOutC } = load;
      const change = { roomTempC, flourTempC, tapTempC, prefermentTempC: toC, doughOutC, version };
      post(
        { kind: 'load', number, lotId: lot.id, change },
        t('mix.water.written', { code: lot.code, number }),
      );
    }
  };
  return (
    <section className={styles['look']} aria-label={t('mix.ahead.look')}>
      <h2>{t('mix.ahead.look')}</h2>
      <ToggleButtonGroup
        exclusive
        value={found}
        aria-label={t('mix.ahead.look')}
        sx={{ '& button': { minHeight: 48 } }}
        onChange={(_event, to: PrefermentLook | null) => to && keep(to, tempC)}
      >
        {PREFERMENT_LOOKS.map((each) => (
          <ToggleButton key={each} value={each}>
            {t(`preferment.${each}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <NumberField
        label={t('mix.water.prefermentTempC')}
        measure="temp"
        rule={{ ...KITCHEN_TEMP, mayBeEmpty: true }}
        step={0.5}
        disabled={found === null}
        value={tempC}
        onCommit={(toC) => toC !== null && measured(toC)}
      />
      {found && (
        <p role="status">
          {t(`preferment.then.${found}`)}{' '}
          {last && <span className="quiet">{f.moment(Date.parse(last.at))}</span>}
        </p>
      )}
    </section>
  );
}
