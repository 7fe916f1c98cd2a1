import type { Probe, ProbeContent } from '@calm/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { nowMs } from '../../../state/time/clock';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import styles from '../air/Air.module.css';
import type { WalkInNow } from '../useWalkIn';
import { useAddProbeMutation, useChangeProbeMutation, useRemoveProbeMutation } from '../walkInApi';

/** A probe: where it hangs, and what it is corrected by since when. */
export function ProbeDialog({
  now,
  probe,
  onClose,
}: {
  readonly now: WalkInNow;
  /** Null makes a new one. */
  readonly probe: Probe | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { house, book } = now.board;
  const cooled = book.places.filter(({ room }) => room !== null);
  const [add] = useAddProbeMutation();
  const [change] = useChangeProbeMutation();
  const [remove] = useRemoveProbeMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    ProbeContent,
    Probe
  >({
    house,
    record: probe,
    contentOf: plainContent,
    of: 'probe',
    start: () => ({
      name: '',
      placeId: cooled[0]?.id ?? '',
      zone: cooled[0]?.zones[0]?.name ?? '',
      calibrations: [],
    }),
    writes: { add, change, remove },
    say: {
      kept: ({ name }) => t('walkIn.setup.placeKept', { name }),
      removed: ({ name }) => t('walkIn.setup.placeRemoved', { name }),
    },
    onClose,
  });
  const [offsetC, setOffsetC] = useState(0);
  const zones = book.places.find(({ id }) => id === content.placeId)?.zones ?? [];
  return (
    <RecordDialog
      title={probe ? probe.name : t('walkIn.setup.addProbe')}
      wrong={wrong}
      onKeep={() => keep({ ...content, name: content.name.trim() })}
      onRemove={probe ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('walkIn.setup.probeName')}
        helperText={t('walkIn.setup.probeNameHow')}
        value={content.name}
        onChange={(typed) => put({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Choice
        label={t('walkIn.setup.place')}
        width="100%"
        value={content.placeId}
        values={cooled.map(({ id }) => id)}
        say={(id) => cooled.find((place) => place.id === id)?.name ?? ''}
        onChange={(placeId) =>
          put({
            placeId,
            zone: cooled.find(({ id }) => id === placeId)?.zones[0]?.name ?? '',
          })
        }
      />
      <Choice
        label={t('walkIn.setup.zoneName')}
        width="100%"
        value={content.zone}
        values={zones.map(({ name }) => name)}
        say={(zone) => zone}
        onChange={(zone) => put({ zone })}
      />
      <p className="quiet small">{t('walkIn.setup.calibrateHow')}</p>
      <ul className={styles['done']}>
        {content.calibrations.map(({ from, offsetC: by }, i) => (
          <li key={from}>
            {t('walkIn.setup.correctedSince', { by: f.warmer(by), at: f.day(Date.parse(from)) })}
            <Button
              onClick={() =>
                put({ calibrations: content.calibrations.filter((_, at) => at !== i) })
              }
            >
              {t('record.remove')}
            </Button>
          </li>
        ))}
      </ul>
      <LabelledCell
        name={t('walkIn.setup.addCorrection')}
        measure="tempDifference"
        value={offsetC}
        rule={{ min: -10, max: 10, decimals: 1 }}
        step={0.1}
        onCommit={setOffsetC}
      />
      <Button
        variant="outlined"
        onClick={() =>
          put({
            calibrations: [
              ...content.calibrations,
              { from: new Date(nowMs()).toISOString(), offsetC },
            ],
          })
        }
      >
        {t('walkIn.setup.correctFromNow')}
      </Button>
    </RecordDialog>
  );
}
