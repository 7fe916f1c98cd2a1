import { STANDARD_COLD_RULES, type Place } from '@calm/contract';
import type { ColdAssumption } from '@calm/domain';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { Page } from '../../../parts/layout/Page';
import { Waiting } from '../../../parts/messages/Waiting';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { WideTable } from '../../../parts/layout/WideTable';
import { coldWorker } from '../../../workers/cold/cold';
import type { AssumedCold, AssumedPortion, WhatIfAnswer } from '../../../workers/cold/coldAnswers';
import { useLatest } from '../../../workers/useLatest';
import styles from '../air/Air.module.css';
import { AirChart, type AirLine } from '../air/AirChart';
import { MOVED_MS } from '../coldWords';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import { WalkInNav } from '../WalkInNav';

/** What would become of every lot if something happened to the cold now, side by side with as it is. */
export function ColdWhatIf() {
  const { t } = useTranslation();
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  if (!now) return <WaitingPage />;
  const cooled = now.board.book.places.filter(({ room }) => room !== null);
  const [first] = cooled;
  return (
    <Page title={t('walkIn.whatIf.title')} lead={t('walkIn.whatIf.lead')}>
      <WalkInNav />
      {first ? <Asking now={now} cooled={cooled} first={first} /> : <p>{t('walkIn.noPlaceHow')}</p>}
    </Page>
  );
}

const KINDS = ['power-shut', 'power-open', 'weak', 'warmer', 'colder', 'heatwave'] as const;
type Kind = (typeof KINDS)[number];
const WITH_HOURS: readonly Kind[] = ['power-shut', 'power-open', 'weak', 'heatwave'];
const HALF = 0.5;
const HEATWAVE_C = 8;

function assumptionOf(kind: Kind, hours: number, placeId: string): ColdAssumption {
  switch (kind) {
    case 'power-shut':
      return { kind: 'power-cut', hours, isDoorOpen: false };
    case 'power-open':
      return { kind: 'power-cut', hours, isDoorOpen: true };
    case 'weak':
      return { kind: 'weak', placeId, hours, share: HALF };
    case 'warmer':
      return { kind: 'set-point', placeId, byC: 1 };
    case 'colder':
      return { kind: 'set-point', placeId, byC: -1 };
    case 'heatwave':
      return { kind: 'heatwave', hours, warmerC: HEATWAVE_C };
  }
}

type Asked = {
  readonly question: WalkInNow['question'];
  readonly assumptions: readonly ColdAssumption[];
};
const ask = async ({ question, assumptions }: Asked): Promise<WhatIfAnswer> =>
  coldWorker().whatIf(question, assumptions);

function Asking({
  now,
  cooled,
  first,
}: {
  readonly now: WalkInNow;
  readonly cooled: readonly Place[];
  readonly first: Place;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [kind, setKind] = useState<Kind>('power-shut');
  const [hours, setHours] = useState(4);
  const [placeId, setPlaceId] = useState(
    (cooled.find(({ zones }) => zones.length > 1) ?? first).id,
  );
  const question = useMemo(
    () => ({ question: now.question, assumptions: [assumptionOf(kind, hours, placeId)] }),
    [now.question, kind, hours, placeId],
  );
  const latest = useLatest(ask, question);
  const both = latest?.answer.ok ? latest.answer.value : null;
  const { limitC } = now.board.book.house.settings.cold ?? STANDARD_COLD_RULES;
  const place = cooled.find(({ id }) => id === placeId) ?? first;
  const nowMs = now.question.nowS * 1000;
  return (
    <>
      <div className={styles['fields']}>
        <Choice
          label={t('walkIn.whatIf.what')}
          width="100%"
          value={kind}
          values={KINDS}
          say={(each) =>
            t(`walkIn.whatIf.kinds.${each}`, {
              by: each === 'heatwave' ? f.warmer(HEATWAVE_C, 0) : f.apart(1, 0),
            })
          }
          onChange={setKind}
        />
        <Choice
          label={t('walkIn.whatIf.where')}
          width="100%"
          value={place.id}
          values={cooled.map(({ id }) => id)}
          say={(id) => cooled.find((each) => each.id === id)?.name ?? ''}
          onChange={setPlaceId}
        />
        {WITH_HOURS.includes(kind) && (
          <LabelledCell
            name={t('walkIn.whatIf.hours')}
            unit={f.symbols.h}
            value={hours}
            rule={{ min: 0.5, max: 48, decimals: 1 }}
            step={0.5}
            onCommit={setHours}
          />
        )}
      </div>
      {!both ? (
        <Waiting />
      ) : (
        <div aria-busy={latest?.question !== question}>
          <AirChart
            lines={[
              lineOf(t('walkIn.whatIf.asIs'), both.now, place.id, nowMs),
              lineOf(t('walkIn.whatIf.assumption'), both.assumption, place.id, nowMs),
            ]}
            limitC={limitC}
            nowMs={nowMs}
            words={t('walkIn.whatIf.words', { place: place.name })}
          />
          <Windows now={now} both={both} />
        </div>
      )}
      <p className="quiet">{t('walkIn.whatIf.why')}</p>
    </>
  );
}

/** NaN for balls that never open well: those are shown. */
const untilOf = ({ mixedMs, window }: AssumedPortion): number =>
  window.kind === 'ready' ? mixedMs + window.latestHour * 3_600_000 : NaN;

const BEFORE_MS = 6 * 3_600_000;
const AFTER_MS = 18 * 3_600_000;

function lineOf(name: string, { rooms }: AssumedCold, placeId: string, nowMs: number): AirLine {
  const room = rooms.find((each) => each.placeId === placeId);
  const points = [...(room?.airC ?? [])]
    .map((airC, i) => ({
      atMs: ((room?.fromS ?? 0) + (i + 0.5) * (room?.stepS ?? 0)) * 1000,
      airC,
    }))
    .filter(({ atMs }) => atMs >= nowMs - BEFORE_MS && atMs <= nowMs + AFTER_MS);
  return {
    name,
    atMs: points.map(({ atMs }) => atMs),
    airC: points.map(({ airC }) => airC),
  };
}

function Windows({
  now,
  both,
}: {
  readonly now: WalkInNow;
  readonly both: { readonly now: AssumedCold; readonly assumption: AssumedCold };
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { products } = now.board.book;
  const nowMs = now.question.nowS * 1000;
  const rows = both.now.parts
    .map((part, i) => ({ part, assumption: both.assumption.parts[i] }))
    .filter(({ part }) => part.mixedMs <= nowMs && !(untilOf(part) < nowMs))
    .filter(
      ({ part }, i, all) =>
        all.findIndex(
          (each) => each.part.key === part.key && each.part.productId === part.productId,
        ) === i,
    );
  const window = (part: AssumedPortion | undefined) => {
    if (part?.window.kind !== 'ready') return null;
    const at = (hour: number) => part.mixedMs + hour * 3_600_000;
    return {
      fromMs: at(part.window.earliestHour),
      peakMs: at(part.window.peakHour),
      untilMs: at(part.window.latestHour),
    };
  };
  const say = (part: AssumedPortion | undefined) => {
    const is = window(part);
    return is
      ? t('walkIn.whatIf.window', { from: f.moment(is.fromMs), until: f.moment(is.untilMs) })
      : t('walkIn.window.never');
  };
  const moved = (a: AssumedPortion, b: AssumedPortion | undefined) => {
    const [is, would] = [window(a), window(b)];
    if (!is || !would) return '';
    const byMs = would.peakMs - is.peakMs;
    if (Math.abs(byMs) < MOVED_MS) return t('walkIn.whatIf.same');
    return t(byMs < 0 ? 'walkIn.whatIf.earlier' : 'walkIn.whatIf.later', {
      by: f.duration(Math.round(Math.abs(byMs) / 60_000)),
    });
  };
  if (rows.length === 0) return <p className="quiet">{t('walkIn.orderNone')}</p>;
  return (
    <WideTable label={t('walkIn.whatIf.title')}>
      <table className={styles['table']}>
        <thead>
          <tr>
            <th scope="col">{t('walkIn.alarm.lot')}</th>
            <th scope="col">{t('walkIn.whatIf.asIs')}</th>
            <th scope="col">{t('walkIn.whatIf.assumption')}</th>
            <th scope="col">{t('walkIn.whatIf.moves')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ part, assumption }) => (
            <tr key={`${part.key}/${part.productId}`}>
              <th scope="row">
                {part.code}{' '}
                <span className="quiet">
                  {products.find(({ id }) => id === part.productId)?.name}
                </span>
              </th>
              <td>{say(part)}</td>
              <td>{say(assumption)}</td>
              <td>{moved(part, assumption)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </WideTable>
  );
}
