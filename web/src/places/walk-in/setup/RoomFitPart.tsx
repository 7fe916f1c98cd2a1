import type { Place } from '@calm/contract';
import type { Room } from '@calm/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { plainContent } from '../../../state/drafts/useRecordEditor';
import { coldWorker } from '../../../workers/cold/cold';
import type { PlaceFit } from '../../../workers/cold/coldAnswers';
import styles from '../air/Air.module.css';
import type { WalkInNow } from '../useWalkIn';
import { useChangePlaceMutation } from '../walkInApi';

type Fitting =
  | { readonly kind: 'none' | 'fitting' | 'failed' }
  | { readonly kind: 'few'; readonly readings: number; readonly least: number }
  | { readonly kind: 'fitted'; readonly fit: PlaceFit };

/** A room's numbers, and what its readings of the last days say of them. */
export function RoomFitPart({
  now,
  place,
  mayBook,
}: {
  readonly now: WalkInNow;
  readonly place: Place;
  readonly mayBook: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed, failed } = useNotices();
  const [change] = useChangePlaceMutation();
  const [state, setState] = useState<Fitting>({ kind: 'none' });
  const { room } = place;
  if (!room) return null;
  const start = async () => {
    setState({ kind: 'fitting' });
    try {
      const except = now.cold.alarms
        .filter(({ probeId, kind }) => {
          const probe = now.cold.probes.find(({ id }) => id === probeId);
          return probe?.placeId === place.id && kind !== 'silent';
        })
        .map(({ fromAt, untilAt }) => ({
          fromMs: Date.parse(fromAt) - SETTLES_MS,
          untilMs: (untilAt === null ? Infinity : Date.parse(untilAt)) + SETTLES_MS,
        }));
      const fit = await coldWorker().fit(now.question, place.id, except);
      if (fit.ok) return setState({ kind: 'fitted', fit: fit.value });
      const [why] = fit.reasons;
      setState(
        why?.kind === 'too-few-readings'
          ? { kind: 'few', readings: why.readings, least: why.least }
          : { kind: 'failed' },
      );
    } catch {
      setState({ kind: 'failed' });
    }
  };
  const use = async ({ room: fitted, zonesC }: PlaceFit) => {
    const { id, version } = place;
    const zones = place.zones.map((zone) => ({
      ...zone,
      warmerC: Math.round((zonesC[zone.name] ?? zone.warmerC) * 10) / 10,
    }));
    const own = Object.fromEntries(zones.map(({ name, warmerC }) => [name, warmerC]));
    const content = { ...plainContent(place), zones, room: { ...rounded(fitted), zonesC: own } };
    try {
      const { house } = now.board;
      const kept = await change({ house, id, change: { version, content } }).unwrap();
      setState({ kind: 'none' });
      changed(t('walkIn.fit.used', { place: place.name }), () =>
        change({
          house,
          id,
          change: { version: kept.version, content: plainContent(place) },
        }).unwrap(),
      );
    } catch {
      failed(t('errors.notSaved'));
    }
  };
  const fitted = state.kind === 'fitted' ? state.fit : null;
  return (
    <section>
      <h3>{place.name}</h3>
      <table className={styles['table']}>
        <thead>
          <tr>
            <td />
            <th scope="col">{t('walkIn.fit.is')}</th>
            {fitted && <th scope="col">{t('walkIn.fit.says')}</th>}
          </tr>
        </thead>
        <tbody>
          {numbersOf(t, f, room).map(([name, value], i) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{value}</td>
              {fitted && <td>{numbersOf(t, f, fitted.room)[i]?.[1]}</td>}
            </tr>
          ))}
        </tbody>
      </table>
      {fitted && (
        <p>
          {t('walkIn.fit.apart', {
            before: f.warmer(fitted.beforeC, 2).replace('+', ''),
            after: f.warmer(fitted.afterC, 2).replace('+', ''),
            count: fitted.readings,
          })}
        </p>
      )}
      {state.kind === 'few' && <p>{t('walkIn.fit.few', state)}</p>}
      {state.kind === 'failed' && <p role="alert">{t('walkIn.fit.failed')}</p>}
      <div className={styles['bar']}>
        <Button variant="outlined" disabled={state.kind === 'fitting'} onClick={() => void start()}>
          {t(state.kind === 'fitting' ? 'walkIn.fit.fitting' : 'walkIn.fit.do')}
        </Button>
        {fitted && mayBook && (
          <Button variant="contained" onClick={() => void use(fitted)}>
            {t('walkIn.fit.use')}
          </Button>
        )}
      </div>
    </section>
  );
}

/** A room needs this long before and after something was wrong until it is itself again. */
const SETTLES_MS = 2 * 3_600_000;

const rounded = (room: Room): Room => ({
  ...room,
  lossWPerK: Math.round(room.lossWPerK * 10) / 10,
  heatCapacityJPerK: Math.round(room.heatCapacityJPerK / 100) * 100,
  coolingW: Math.round(room.coolingW),
  setC: Math.round(room.setC * 100) / 100,
});

function numbersOf(
  t: ReturnType<typeof useTranslation>['t'],
  f: ReturnType<typeof useFormats>,
  room: Room,
): [string, string][] {
  return [
    [t('walkIn.fit.set'), f.temperature(room.setC)],
    [t('walkIn.fit.loss'), `${f.plain(room.lossWPerK, 1)} W/K`],
    [t('walkIn.fit.capacity'), `${f.plain(room.heatCapacityJPerK / 1000, 0)} kJ/K`],
    [t('walkIn.fit.cooling'), `${f.plain(room.coolingW, 0)} W`],
    [
      t('walkIn.fit.thaw'),
      room.defrost
        ? t('walkIn.fit.thawEvery', {
            every: f.hours(room.defrost.everyH, 0),
            minutes: f.duration(room.defrost.minutes),
          })
        : t('walkIn.fit.noThaw'),
    ],
  ];
}
