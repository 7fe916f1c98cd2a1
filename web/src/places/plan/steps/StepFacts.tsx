import PushPinIcon from '@mui/icons-material/PushPin';
import PushPinOutlinedIcon from '@mui/icons-material/PushPinOutlined';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import {
  findStep,
  type PlannedLot,
  type PlannedStep,
  type RestKey,
  type StepRef,
} from '@calm/core';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import { formatOdds } from '../../../parts/format/odds';
import { Choice } from '../../../parts/fields/Choice';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import { formatPullsMessage } from '../paper/pullMessages';
import { isPinned, type PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';

const STEP_MIN = 5;

/** Everything about the step that was picked, and what can be done to it. */
export const StepFacts = memo(function StepFacts({
  week,
  lots,
  picked,
  simulated,
  words,
  editing,
  inTheWay,
}: {
  readonly week: PlanWeek;
  /** As they are in hand. */
  readonly lots: readonly PlannedLot[];
  readonly picked: StepRef | null;
  readonly simulated: SimulatedPlanLot | null;
  readonly words: PlanWords;
  readonly editing: PlanEditing;
  /** What does not fit as it is in hand. */
  readonly inTheWay: readonly string[];
}) {
  const { t } = useTranslation();
  const found = picked ? findStep(lots, picked) : null;
  if (!picked || !found) {
    return (
      <aside className={styles['facts']} data-empty="true" aria-label={t('plan.facts')}>
        <p className="quiet">{t('plan.pick')}</p>
      </aside>
    );
  }
  const { lot, step } = found;
  const isBegun = step.startMin < week.nowMin;
  const pinned = isPinned(week.content, picked);
  const rest = lot.rests.find(
    ({ stage, serviceId }) =>
      stage === step.stage + 1 && (step.serviceId === null || step.serviceId === serviceId),
  );
  return (
    <aside className={styles['facts']} aria-label={t('plan.facts')}>
      <div className={styles['factsHead']}>
        <b>
          {words.step(step, lot)}, {words.lot(lot)}
        </b>
        <span className="quiet small">
          {t('plan.lotSize', {
            count: lot.loads,
            dough: words.f.kilograms(lot.doughKg * 1000),
            mixer: words.mixer(lot.mixerId),
          })}
        </span>
      </div>
      <div className={styles['factsRow']}>
        <span className={styles['factsWhen']} aria-live="polite">
          {words.moment(step.startMin)}–{words.time(step.endMin)}
        </span>
        {!isBegun && (
          <>
            <Button
              variant="outlined"
              onClick={() => editing.move(picked, step.startMin - STEP_MIN)}
              aria-label={t('plan.earlier')}
            >
              −5
            </Button>
            <Button
              variant="outlined"
              onClick={() => editing.move(picked, step.startMin + STEP_MIN)}
              aria-label={t('plan.later')}
            >
              +5
            </Button>
            <People
              week={week}
              doughId={lot.doughId}
              personIds={step.personIds}
              picked={picked}
              words={words}
              editing={editing}
            />
            {rest && (
              <PlaceAfter
                week={week}
                lotId={lot.id}
                stage={rest.stage}
                restKey={rest.key}
                place={rest.place}
                editing={editing}
              />
            )}
            <ToggleButton
              value="pin"
              selected={pinned}
              onChange={() => editing.pin(picked, !pinned)}
              size="small"
            >
              {pinned ? <PushPinIcon fontSize="small" /> : <PushPinOutlinedIcon fontSize="small" />}
              {t('plan.pin')}
            </ToggleButton>
          </>
        )}
        {isBegun && <span className="quiet">{t('plan.begun')}</span>}
      </div>
      {inTheWay.slice(0, 2).map((said) => (
        <p key={said} className={styles['open']}>
          {said}
        </p>
      ))}
      <p className="quiet small">{doughFacts(step, simulated, words).join(' · ')}</p>
    </aside>
  );
});

/** Who does it: one choice for each pair of hands. Stays as it is while only times move. */
const People = memo(function People({
  week,
  doughId,
  personIds,
  picked,
  words,
  editing,
}: {
  readonly week: PlanWeek;
  readonly doughId: string;
  readonly personIds: readonly string[];
  readonly picked: StepRef;
  readonly words: PlanWords;
  readonly editing: PlanEditing;
}) {
  const { t } = useTranslation();
  const work = week.problem.doughs.find(({ id }) => id === doughId)?.route[picked.stage];
  const hands = work?.kind === 'work' ? work.people : 1;
  const nobody = '';
  const ids = [nobody, ...week.problem.people.map(({ id }) => id)];
  return Array.from({ length: hands }, (_, i) => (
    <Choice
      key={i}
      label={hands > 1 ? t('plan.whoOf', { number: i + 1 }) : t('plan.who')}
      value={personIds[i] ?? nobody}
      values={ids}
      width={150}
      say={(id) => (id === nobody ? t('plan.nobody') : words.person(id))}
      onChange={(id) => {
        const next = Array.from({ length: hands }, (_x, at) =>
          at === i ? id : (personIds[at] ?? ''),
        );
        editing.give(
          picked,
          next.filter((each) => each !== nobody),
        );
      }}
    />
  ));
});

/** Where the lot stands after a step. */
const PlaceAfter = memo(function PlaceAfter({
  week,
  lotId,
  stage,
  restKey,
  place,
  editing,
}: {
  readonly week: PlanWeek;
  readonly lotId: string;
  readonly stage: number;
  readonly restKey: RestKey;
  readonly place: string;
  readonly editing: PlanEditing;
}) {
  const { t } = useTranslation();
  const names = [...new Set([place, ...week.problem.places.map(({ name }) => name)])];
  return (
    <Choice
      label={t('plan.standsIn', { rest: t(`rest.${restKey}`) })}
      value={place}
      values={names}
      width={150}
      say={(name) => name}
      onChange={(to) => editing.putIn(lotId, stage, to)}
    />
  );
});

/** Its yeast, when its balls open well, and what is pulled when. */
function doughFacts(
  step: PlannedStep,
  simulated: SimulatedPlanLot | null,
  words: PlanWords,
): string[] {
  const { t, f } = words;
  if (!simulated) return [];
  const moment = (iso: string) => f.moment(Date.parse(iso));
  const { dose } = simulated;
  const yeast =
    dose?.kind === 'dosed'
      ? [t('plan.dosed', { percent: f.percent(dose.yeastPercent, 2) })]
      : dose?.kind === 'no-dose'
        ? [t('plan.noDose')]
        : [];
  const windows = simulated.windows
    .filter(({ serviceId }) => step.serviceId === null || step.serviceId === serviceId)
    .map(({ serviceId, window, odds }) =>
      window
        ? t('plan.opensWell', {
            service: words.service(serviceId),
            from: moment(window.from),
            to: f.time(Date.parse(window.until)),
            odds: formatOdds(t, odds),
          })
        : t('plan.neverReady', { service: words.service(serviceId) }),
    );
  return [...formatPullsMessage(step, simulated, words), ...yeast, ...windows];
}
