import {
  STANDARD_COLD_RULES,
  STANDARD_CURRENCY,
  STANDARD_DISPLAY,
  STANDARD_KITCHEN,
} from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../parts/format/useFormats';
import { SetUpList } from '../../parts/house/SetUpList';
import { Page } from '../../parts/layout/Page';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { Failed } from '../../parts/messages/Failed';
import { useBookQuery } from '../../state/api/api';
import { usePermission } from '../../state/api/usePermission';
import { useBoard, useHouse } from '../../state/board/useBoard';
import { useSetUp } from '../../state/board/useSetUp';
import { AlarmCalls } from './alarms/AlarmCalls';
import { Facts } from './facts/Facts';
import { OvensDialog } from './facts/OvensDialog';
import { ScalesDialog } from './facts/ScalesDialog';
import { SiteDialog } from './facts/SiteDialog';
import { WaterDialog } from './facts/WaterDialog';
import { WorkDialog } from './facts/WorkDialog';
import { Houses } from './houses/Houses';
import styles from './House.module.css';
import { HouseNav } from './HouseNav';
import { Mixers } from './mixers/Mixers';
import { WholeHouse } from './whole/WholeHouse';

const DIALOGS = {
  site: SiteDialog,
  ovens: OvensDialog,
  work: WorkDialog,
  scales: ScalesDialog,
  water: WaterDialog,
};
type Open = keyof typeof DIALOGS;

/** What is set on other pages, by where it is. */
const ELSEWHERE = [
  ['places', 'walk-in/places'],
  ['services', 'demand/services'],
  ['pantry', 'formulas/pantry'],
  ['crew', 'crew'],
  ['log', 'log'],
] as const;

/** What a house is, and the numbers that everything else is worked out from. */
export function House() {
  const slug = useHouse();
  const { t } = useTranslation();
  const f = useFormats();
  const mayChange = usePermission('book');
  const mayBegin = usePermission('crew');
  const { data: book, error, refetch } = useBookQuery(slug);
  const { board } = useBoard();
  const left = useSetUp(board);
  const [open, setOpen] = useState<Open | null>(null);
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
  const { house } = book;
  const { settings } = house;
  const kitchen = settings.kitchen ?? STANDARD_KITCHEN;
  const reads = { ...STANDARD_DISPLAY, ...settings.display };
  const change = (what: Open) => (mayChange ? () => setOpen(what) : null);
  const Dialog = open && DIALOGS[open];
  const scaleStep = (g: number) => `${f.plain(g, 2)} ${f.symbols.g}`;
  const temps = settings.usualTempsC;
  return (
    <Page title={t('stops.house')} lead={t('house.lead')}>
      <HouseNav />
      <SetUpList house={slug} left={left} />
      <div className={styles['columns']}>
        <div>
          <Facts
            title={t('house.site.title')}
            facts={[
              [t('house.site.name'), house.name],
              [t('newHouse.zone'), house.timeZone.replaceAll('_', ' ')],
              [t('newHouse.currency'), settings.currency ?? STANDARD_CURRENCY],
              [
                t('house.site.reads'),
                f.list(
                  (['language', 'mass', 'temp', 'clock', 'week'] as const).map((of) =>
                    t(`newHouse.reads.${reads[of]}`),
                  ),
                ),
              ],
              [t('newHouse.limit'), f.temperature((settings.cold ?? STANDARD_COLD_RULES).limitC)],
            ]}
            onChange={change('site')}
          />
          <Mixers book={book} mayChange={mayChange} />
          <Facts
            title={t('house.ovens.title')}
            why={t('house.ovens.why')}
            facts={[
              ...(settings.ovens ?? []).map(
                ({ name, heatUpMin, ballsPerHour }) =>
                  [
                    name,
                    t('house.ovens.is', { heatUp: f.duration(heatUpMin), perHour: ballsPerHour }),
                  ] as const,
              ),
              [
                t('house.ovens.altitude'),
                `${f.count(settings.altitudeM ?? 0)}\u00a0${f.symbols.m}`,
              ],
            ]}
            onChange={change('ovens')}
          />
          <Facts
            title={t('house.work.title')}
            why={t('house.work.why')}
            facts={[
              [t('house.work.bench'), f.count(kitchen.benchPlaces)],
              [t('house.work.tub'), f.kilograms(kitchen.tubKg * 1000)],
              ...(kitchen.tubLitres === undefined
                ? []
                : [[t('house.work.tubLitres'), f.litres(kitchen.tubLitres, 0)] as const]),
              ...(kitchen.trayCm === undefined
                ? []
                : [
                    [
                      t('house.work.trayCm'),
                      `${f.centimetres(kitchen.trayCm.length)} × ${f.centimetres(kitchen.trayCm.width)}`,
                    ] as const,
                  ]),
              [
                t('house.work.unsocial'),
                t('house.work.hours', {
                  from: f.timeOfDay(kitchen.unsocialFromMin),
                  until: f.timeOfDay(kitchen.unsocialUntilMin),
                }),
              ],
            ]}
            onChange={change('work')}
          />
          <Facts
            title={t('house.scales.title')}
            why={t('house.scales.why')}
            facts={[
              [t('house.scales.default'), scaleStep(settings.scaleReadabilityG.default)],
              [t('house.scales.yeast'), scaleStep(settings.scaleReadabilityG.yeast)],
              [t('house.scales.residue'), f.percent(settings.residuePercent, 1)],
              [t('house.scales.perLoad'), f.grams(settings.residuePerLoadG)],
              [t('house.scales.tolerance'), f.percent(settings.ballTolerancePercent, 1)],
            ]}
            onChange={change('scales')}
          />
          <Facts
            title={t('house.water.title')}
            facts={[
              [t('house.water.pourBy'), t(`house.water.by.${settings.pourBy}`)],
              ...(['room', 'flour', 'tap', 'preferment'] as const).map(
                (of) => [t(`house.water.${of}`), f.temperature(temps[of])] as const,
              ),
            ]}
            onChange={change('water')}
          />
        </div>
        <div>
          <section className={styles['section']} aria-label={t('house.elsewhere.title')}>
            <h2>{t('house.elsewhere.title')}</h2>
            <ul className={styles['list']}>
              {ELSEWHERE.map(([what, path]) => (
                <li key={what}>
                  <Link to={`/${slug}/${path}`}>{t(`house.elsewhere.${what}`)}</Link>
                </li>
              ))}
            </ul>
          </section>
          <Houses mayBegin={mayBegin} />
          {mayBegin && <AlarmCalls book={book} mayChange={mayChange} />}
          {mayBegin && <WholeHouse house={house} />}
        </div>
      </div>
      {Dialog && <Dialog house={house} onClose={() => setOpen(null)} />}
    </Page>
  );
}
