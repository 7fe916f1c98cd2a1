import { STANDARD_COLD_RULES, type ColdRules, type House } from '@calm/contract';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useNotices } from '../../../parts/messages/Notices';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { TimeOfDay } from '../../../parts/fields/TimeOfDay';
import { problemWords } from '../../../parts/messages/problemWords';
import { useChangeSettingsMutation } from '../../../state/api/settingsApi';
import styles from './PlaceDialog.module.css';
import { timesIn } from '../timesIn';

/** What the house's own limit is, when it is told, and when not. */
export function RulesDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const [changeSettings] = useChangeSettingsMutation();
  const before = house.settings.cold ?? STANDARD_COLD_RULES;
  const [rules, setRules] = useState<ColdRules>(before);
  const [rounds, setRounds] = useState(before.roundMins.map(f.timeOfDay).join(f.symbols.comma));
  const [wrong, setWrong] = useState<string | null>(null);
  const put = (to: Partial<ColdRules>) => setRules((was) => ({ ...was, ...to }));
  const keep = async () => {
    const roundMins = timesIn(rounds);
    if (!roundMins) return setWrong(t('walkIn.setup.roundsWrong'));
    try {
      const kept = await changeSettings({
        house: house.slug,
        change: { version: house.version, cold: { ...rules, roundMins } },
      }).unwrap();
      changed(t('walkIn.setup.rulesKept'), () =>
        changeSettings({
          house: house.slug,
          change: { version: kept.version, cold: before },
        }).unwrap(),
      );
      onClose();
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  const minutes = { min: 0, max: 1440, decimals: 0 };
  return (
    <RecordDialog
      title={t('walkIn.setup.rules')}
      wrong={wrong}
      onKeep={() => void keep()}
      onClose={onClose}
    >
      <LabelledCell
        name={t('walkIn.setup.limit')}
        measure="temp"
        value={rules.limitC}
        rule={{ min: -5, max: 20, decimals: 1 }}
        step={0.5}
        onCommit={(limitC) => put({ limitC })}
      />
      <p className="quiet small">{t('walkIn.setup.limitWhose')}</p>
      <div className={styles['pair']}>
        <LabelledCell
          name={t('walkIn.setup.over')}
          unit={f.symbols.min}
          value={rules.overMin}
          rule={minutes}
          step={5}
          onCommit={(overMin) => put({ overMin })}
        />
        <LabelledCell
          name={t('walkIn.setup.silent')}
          unit={f.symbols.min}
          value={rules.silentMin}
          rule={{ ...minutes, min: 1 }}
          step={5}
          onCommit={(silentMin) => put({ silentMin })}
        />
        <TimeOfDay
          label={t('walkIn.setup.quietFrom')}
          minute={rules.quietFromMin}
          isRequired
          onChange={(minute) => minute !== null && put({ quietFromMin: minute })}
        />
        <TimeOfDay
          label={t('walkIn.setup.quietUntil')}
          minute={rules.quietUntilMin}
          isRequired
          onChange={(minute) => minute !== null && put({ quietUntilMin: minute })}
        />
      </div>
      <TextField
        size="small"
        label={t('walkIn.setup.rounds')}
        helperText={t('walkIn.setup.roundsHow')}
        value={rounds}
        onChange={(event) => setRounds(event.target.value)}
      />
    </RecordDialog>
  );
}
