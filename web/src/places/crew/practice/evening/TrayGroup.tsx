import type { Deed, Evening, TrayAct, TraysSeen } from '@calm/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { HowMany } from '../HowMany';
import styles from './Evening.module.css';
import { timeOfEvening } from './eveningClock';

/** Trays that went the same way, and what can be done with some of them. */
export function TrayGroup({
  group: { trays, nights, place, sinceMin, ballsLeft },
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
  const all = nights > 0 ? f.joined(words, t('practice.evening.nights', { count: nights })) : words;
  return (
    <li>
      <span>{all}</span>
      {place !== 'gone' && ballsLeft >= SOME && (
        <div className={styles['acts']} role="group" aria-label={f.joined(product, all)}>
          {acts.length > 0 && (
            <HowMany many={many} least={1} most={trays.length} onChange={setWanted} />
          )}
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
