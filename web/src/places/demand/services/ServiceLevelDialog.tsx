import { serviceLevelPercent } from '@calm/domain';
import { STANDARD_SERVICE_LEVEL, type House, type ServiceLevelTarget } from '@calm/contract';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useNotices } from '../../../parts/messages/Notices';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { problemOf } from '../../../parts/messages/problemOf';
import { problemWords } from '../../../parts/messages/problemWords';
import styles from '../week/Demand.module.css';
import { useChangeSettingsMutation } from '../../../state/api/settingsApi';

const OFTEN = { min: 50, max: 99.5, decimals: 1 };
const MONEY = { min: 0.01, max: 100_000, decimals: 2 };

/** What running out weighs against throwing away: as how often, or in money. */
export function ServiceLevelDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const [change] = useChangeSettingsMutation();
  const kept = house.settings.serviceLevel ?? STANDARD_SERVICE_LEVEL;
  const [serviceLevel, setServiceLevel] = useState<ServiceLevelTarget>(kept);
  const [wrong, setWrong] = useState<string | null>(null);
  const enough = serviceLevelPercent({ ...house.settings, serviceLevel });
  const turn = (kind: string) =>
    setServiceLevel(
      kind === 'often'
        ? { kind: 'often', enoughPercent: Math.round(enough) }
        : { kind: 'money', short: Math.round(enough) / 10, left: Math.round(100 - enough) / 10 },
    );
  const keep = async () => {
    const send = (to: ServiceLevelTarget, version: number) =>
      change({ house: house.slug, change: { version, serviceLevel: to } }).unwrap();
    try {
      const saved = await send(serviceLevel, house.version);
      changed(t('demand.serviceLevel.kept', { enough: f.percent(enough, 0) }), () =>
        send(kept, saved.version),
      );
      onClose();
    } catch (error) {
      const problem = problemOf(error);
      const isStale = problem?.type === '/problems/stale';
      setWrong(isStale ? t('record.stale') : problemWords(t, error));
    }
  };
  return (
    <RecordDialog
      title={t('demand.serviceLevel.title')}
      wrong={wrong}
      onKeep={() => void keep()}
      onClose={onClose}
    >
      <RadioGroup
        aria-label={t('demand.serviceLevel.title')}
        value={serviceLevel.kind}
        onChange={(_event, kind) => turn(kind)}
      >
        {(['often', 'money'] as const).map((kind) => (
          <FormControlLabel
            key={kind}
            value={kind}
            control={<Radio />}
            label={t(`demand.serviceLevel.${kind}`)}
          />
        ))}
      </RadioGroup>
      {serviceLevel.kind === 'often' ? (
        <LabelledCell
          name={t('demand.serviceLevel.enough')}
          unit="%"
          value={serviceLevel.enoughPercent}
          rule={OFTEN}
          step={1}
          onCommit={(enoughPercent) => setServiceLevel({ kind: 'often', enoughPercent })}
        />
      ) : (
        <div className={styles['pairs']}>
          <LabelledCell
            name={t('demand.serviceLevel.short')}
            unit=""
            value={serviceLevel.short}
            rule={MONEY}
            step={0.5}
            onCommit={(short) => setServiceLevel({ ...serviceLevel, short })}
          />
          <LabelledCell
            name={t('demand.serviceLevel.left')}
            unit=""
            value={serviceLevel.left}
            rule={MONEY}
            step={0.1}
            onCommit={(left) =>
              setServiceLevel({
                ...serviceLevel,
                left,
                ...(serviceLevel.carried !== undefined && {
                  carried: Math.min(left, serviceLevel.carried),
                }),
              })
            }
          />
          <LabelledCell
            name={t('demand.serviceLevel.carried')}
            unit=""
            value={serviceLevel.carried ?? serviceLevel.left}
            rule={{ ...MONEY, max: serviceLevel.left }}
            step={0.1}
            onCommit={(carried) => setServiceLevel({ ...serviceLevel, carried })}
          />
        </div>
      )}
      <p className="quiet small">
        {t('demand.serviceLevel.means', { enough: f.percent(enough, 0) })}
      </p>
    </RecordDialog>
  );
}
