import type { Deed, Evening, TrayAct, TraysSeen } from '@calm/core';
import AddOutlined from '@mui/icons-material/AddOutlined';
import RemoveOutlined from '@mui/icons-material/RemoveOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Evening.module.css';
import { timeOfEvening } from './eveningClock';

/** Trays that went the same way, and what can be done with some of them. */
export function TrayGroup({
  group: { trays, place, sinceMin, ballsLeft },
  product,
  really,
  acts,
  onDecide,
}: {
  readonly group: TraysSeen;
  readonly product: string;
  readonly really: Evening;
  readonly acts: readonly TrayAct[];
  readonly onDecide: (deed: Deed) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [wanted, setWanted] = useState(1);
  const many = Math.min(wanted, trays.length);
  const words = t(`practice.evening.place.${place}`, {
    count: trays.length,
    balls: f.count(Math.round(ballsLeft)),
    since: timeOfEvening(f, really, sinceMin),
  });
  return (
    <li>
      <span>{words}</span>
      {place !== 'gone' && ballsLeft >= SOME && (
        <div className={styles['acts']} role="group" aria-label={f.joined(product, words)}>
          {acts.length > 0 && <HowMany many={many} most={trays.length} onChange={setWanted} />}
          {acts.map((act) => (
            <Button
              key={act}
              variant={act === 'pull' ? 'contained' : 'outlined'}
              size="large"
              onClick={() => onDecide({ kind: 'trays', act, trays: trays.slice(0, many) })}
            >
              {t(`practice.evening.act.${act}`)}
            </Button>
          ))}
          <Button size="large" onClick={() => onDecide({ kind: 'look', tray: trays[0] ?? 0 })}>
            {t('practice.evening.look')}
          </Button>
        </div>
      )}
    </li>
  );
}

/** Fewer balls than this are none. */
const SOME = 0.5;

/** How many of the trays something is done with. */
function HowMany({
  many,
  most,
  onChange,
}: {
  readonly many: number;
  readonly most: number;
  readonly onChange: (many: number) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <>
      <IconButton
        aria-label={t('practice.evening.fewer')}
        disabled={many <= 1}
        onClick={() => onChange(many - 1)}
        sx={BIG}
      >
        <RemoveOutlined />
      </IconButton>
      <output aria-label={t('practice.evening.many')}>{f.count(many)}</output>
      <IconButton
        aria-label={t('practice.evening.more')}
        disabled={many >= most}
        onClick={() => onChange(many + 1)}
        sx={BIG}
      >
        <AddOutlined />
      </IconButton>
    </>
  );
}

const BIG = { width: 48, height: 48, flex: 'none' } as const;
