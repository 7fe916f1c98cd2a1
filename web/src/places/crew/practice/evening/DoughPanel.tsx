import {
  actsAt,
  keyOfTray,
  MOMENT_MIN,
  playsOf,
  QUARTER_MIN,
  WATERS,
  type Deed,
  type DoughEveningSoFar,
  type TraysSeen,
} from '@calm/core';
import type { Product } from '@calm/contract';
import type { PracticeEvening } from '@calm/domain';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ChoiceButtons } from '../../../../parts/fields/ChoiceButtons';
import { useFormats } from '../../../../parts/format/useFormats';
import type { EveningSeen } from '../../../../workers/practice/practiceAnswers';
import styles from './Evening.module.css';
import type { EveningRun } from './eveningRun';
import { FoundOutWords } from './FoundOutWords';
import { TrayGroup } from './TrayGroup';

/** One dough of an evening: who came, where its trays are, what can be done with it. */
export function DoughPanel({
  at,
  product,
  evening: { really, believed },
  run: { decisions, moment },
  seen,
  isCoached,
  onDecide,
}: {
  readonly at: number;
  readonly product: Product;
  readonly evening: PracticeEvening;
  readonly run: EveningRun;
  readonly seen: EveningSeen;
  readonly isCoached: boolean;
  readonly onDecide: (deed: Deed) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [isMixing, setMixing] = useState(false);
  const dough = seen.doughs[at];
  const play = playsOf(really, decisions)[at];
  if (!dough || !play) return null;
  const keyOf = ({ trays: [first = 0] }: TraysSeen) =>
    keyOfTray(really.doughs[at]?.trays ?? [], first, play.trays[first] ?? []);
  const perQuarter = believed.doughs[at]?.perQuarter ?? [];
  const expected = sumOf(perQuarter.slice(0, quartersBy(moment, really.doorsMin)));
  const mayMix = really.hasMixer && play.quick === null;
  return (
    <section className={styles['dough']} aria-labelledby={`evening-${at}`}>
      <h2 id={`evening-${at}`}>{product.name}</h2>
      <p className={styles['guests']}>{guestWords(dough)}</p>
      <ul className={styles['trays']}>
        {dough.trays.map((group) => (
          <TrayGroup
            key={keyOf(group)}
            group={group}
            product={product.name}
            really={really}
            acts={actsAt(play.trays[group.trays[0] ?? 0] ?? [], moment)}
            onDecide={onDecide}
          />
        ))}
        {dough.quickLeft !== null && (
          <li>{t('practice.evening.quick', { count: Math.round(dough.quickLeft) })}</li>
        )}
      </ul>
      <FoundOutWords at={at} really={really} seen={seen} isCoached={isCoached} />
      <div className={styles['whole']}>
        <Button onClick={() => onDecide({ kind: 'call' })}>{t('practice.evening.call')}</Button>
        {mayMix && !isMixing && (
          <Button onClick={() => setMixing(true)}>{t('practice.evening.mix')}</Button>
        )}
        {!dough.isStopped && (
          <Button onClick={() => onDecide({ kind: 'stop' })}>{t('practice.evening.stop')}</Button>
        )}
      </div>
      {isMixing && mayMix && (
        <div className={styles['whole']}>
          <span id={`evening-water-${at}`}>{t('practice.evening.whichWater')}</span>
          <ChoiceButtons
            labelledBy={`evening-water-${at}`}
            value={null}
            values={WATERS}
            say={(water) => t(`practice.evening.water.${water}`)}
            onChange={(water) => {
              setMixing(false);
              if (water) onDecide({ kind: 'mix', water });
            }}
          />
        </div>
      )}
    </section>
  );

  function guestWords({ guests, short, told, bad, isStopped }: DoughEveningSoFar): string {
    const all = f.count(Math.round(sumOf(perQuarter)));
    const words = [t('practice.evening.expected', { all })];
    if (moment * MOMENT_MIN > really.doorsMin)
      words.push(
        t('practice.evening.guests', {
          came: f.count(Math.round(guests)),
          expected: f.count(Math.round(expected)),
        }),
      );
    if (short >= 0.5) words.push(t('practice.evening.short', { count: Math.round(short) }));
    if (bad >= 0.5) words.push(t('practice.evening.bad', { count: Math.round(bad) }));
    if (told >= 0.5) words.push(t('practice.evening.told', { count: Math.round(told) }));
    else if (isStopped) words.push(t('practice.evening.stopped'));
    return f.joined(...words);
  }
}

const sumOf = (numbers: readonly number[]): number => numbers.reduce((sum, each) => sum + each, 0);

/** Quarters of an hour since doors. */
const quartersBy = (moment: number, doorsMin: number): number =>
  Math.max(0, Math.floor((moment * MOMENT_MIN - doorsMin) / QUARTER_MIN));
