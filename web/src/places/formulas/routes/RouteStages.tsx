import Button from '@mui/material/Button';
import {
  AIR_LIMITS_C,
  CONTAINERS,
  COVERS,
  MOST_STAGE_HOURS,
  REST_KEYS,
  SHAPINGS,
  SKILLS,
  UNDERS,
  WORK_KEYS,
  type Cover,
  type RestStage,
  type Route,
  type Stage,
  type Under,
  type WorkKey,
  type WorkRate,
  type WorkStage,
} from '@calm/core';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { BlockList } from '../../../parts/layout/BlockList';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TextCell } from '../../../parts/fields/TextCell';
import styles from './RouteStages.module.css';

const AIR = { min: AIR_LIMITS_C.least, max: AIR_LIMITS_C.most, decimals: 1 };
const MINUTES = { min: 0, max: 1440, decimals: 1 };
/** 0 stands for "by the clock only". */
const UNTIL = { min: 0, max: 4, decimals: 2 };

const NEW_REST: RestStage = {
  kind: 'rest',
  key: 'bulk',
  place: '',
  airTempC: 22,
  container: 'tub',
  hours: { least: 1, preferred: 2, most: 4 },
};
const NEW_WORK: WorkStage = {
  kind: 'work',
  key: 'divide-ball',
  skill: 'ball',
  people: 1,
  rate: { fixedMin: 10, perHundredBallsMin: 30 },
};

/** A route's stages in order: what rests where and how long, what hands do and how fast. */
export function RouteStages({
  stages,
  places,
  onChange,
}: {
  readonly stages: Route;
  /** Where dough of this house rests. */
  readonly places: readonly string[];
  readonly onChange: (stages: Route, what: string) => void;
}) {
  const { t } = useTranslation();
  const nameOf = (stage: Stage) =>
    stage.kind === 'rest' ? t(`rest.${stage.key}`) : t(`work.${stage.key}`);
  const put = (at: number, to: Stage, what: string) =>
    onChange(
      stages.map((stage, i) => (i === at ? to : stage)),
      t('formulas.edit.changed', { what: nameOf(to), to: what }),
    );
  return (
    <section aria-label={t('formulas.routes.stages')}>
      <BlockList
        label={t('formulas.routes.stages')}
        blocks={stages}
        nameOf={nameOf}
        onChange={onChange}
      >
        {(stage, i) =>
          stage.kind === 'rest' ? (
            <Rest stage={stage} places={places} onChange={(to, what) => put(i, to, what)} />
          ) : (
            <Work stage={stage} onChange={(to, what) => put(i, to, what)} />
          )
        }
      </BlockList>
      <div className={styles['row']}>
        <EditOnly>
          <Button
            variant="outlined"
            onClick={() =>
              onChange(
                [...stages, { ...NEW_REST, place: places[0] ?? t('formulas.routes.somewhere') }],
                t('formulas.routes.restAdded'),
              )
            }
          >
            {t('formulas.routes.addRest')}
          </Button>
        </EditOnly>
        <EditOnly>
          <Button
            variant="outlined"
            onClick={() => onChange([...stages, NEW_WORK], t('formulas.routes.workAdded'))}
          >
            {t('formulas.routes.addWork')}
          </Button>
        </EditOnly>
      </div>
    </section>
  );
}

/** Dough by itself. Least, usual and most hours stay in order: moving one moves those it would pass. */
function Rest({
  stage,
  places,
  onChange,
}: {
  readonly stage: RestStage;
  readonly places: readonly string[];
  readonly onChange: (stage: Stage, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { hours } = stage;
  const name = t(`rest.${stage.key}`);
  const hoursTo = (key: keyof RestStage['hours'], value: number) => {
    const next = { ...hours, [key]: value };
    if (key === 'least') next.preferred = Math.max(next.preferred, value);
    if (key === 'most') next.preferred = Math.min(next.preferred, value);
    next.least = Math.min(next.least, next.preferred);
    next.most = Math.max(next.most, next.preferred);
    onChange({ ...stage, hours: next }, f.hours(value, 2));
  };
  return (
    <div className={styles['row']} data-kind="rest">
      <Choice
        label={t('formulas.routes.rest')}
        value={stage.key}
        values={REST_KEYS}
        say={(key) => t(`rest.${key}`)}
        width={128}
        onChange={(key) => onChange({ ...stage, key }, t(`rest.${key}`))}
      />
      <TextCell
        label={t('formulas.routes.place')}
        value={stage.place}
        most={80}
        width={136}
        onCommit={(place) => onChange({ ...stage, place }, place)}
      />
      <LabelledCell
        name={t('formulas.whatIf.air')}
        label={f.joined(name, t('formulas.whatIf.air'))}
        measure="temp"
        value={stage.airTempC}
        rule={AIR}
        step={0.5}
        onCommit={(airTempC) => onChange({ ...stage, airTempC }, f.temperature(airTempC))}
      />
      {(['least', 'preferred', 'most'] as const).map((key) => (
        <LabelledCell
          key={key}
          name={t(`formulas.routes.${key}`)}
          label={f.joined(name, t(`formulas.routes.${key}`))}
          unit={f.symbols.h}
          value={hours[key]}
          rule={{ min: 0, max: MOST_STAGE_HOURS, decimals: 2 }}
          step={0.5}
          onCommit={(value) => hoursTo(key, value)}
        />
      ))}
      <Choice
        label={t('formulas.routes.container')}
        value={stage.container}
        values={CONTAINERS}
        say={(container) => t(`stand.in.${container}`)}
        width={168}
        onChange={(container) => onChange({ ...stage, container }, t(`stand.in.${container}`))}
      />
      <OverAndUnder stage={stage} onChange={onChange} />
      <Choice
        label={t('formulas.routes.shaping')}
        value={stage.shaping ?? 'none'}
        values={['none', ...SHAPINGS]}
        say={(shaping) => t(`formulas.routes.shaped.${shaping}`)}
        width={168}
        onChange={(shaping) => {
          const { shaping: _before, ...plain } = stage;
          const to = shaping === 'none' ? plain : { ...plain, shaping: shaping as 'ball' };
          onChange(to, t(`formulas.routes.shaped.${shaping}`));
        }}
      />
      <LabelledCell
        name={t('formulas.routes.until')}
        label={f.joined(name, t('formulas.routes.until'))}
        unit="×"
        value={stage.untilRise ?? 0}
        rule={UNTIL}
        step={0.1}
        onCommit={(rise) => {
          const { untilRise: _before, ...plain } = stage;
          onChange(rise > 1 ? { ...plain, untilRise: rise } : plain, f.times(rise));
        }}
      />
      {places.length > 0 && !places.includes(stage.place) && (
        <span className={styles['new']}>{t('formulas.routes.newPlace')}</span>
      )}
    </div>
  );
}

/** What lies over dough, and under it. */
function OverAndUnder({
  stage,
  onChange,
}: {
  readonly stage: RestStage;
  readonly onChange: (stage: Stage, what: string) => void;
}) {
  const { t } = useTranslation();
  const { cover, under, ...plain } = stage;
  const standing = (to: Pick<RestStage, 'cover' | 'under'>): RestStage => ({
    ...plain,
    ...(to.cover && { cover: to.cover }),
    ...(to.under && { under: to.under }),
  });
  const NOT_SAID = 'not-said';
  return (
    <>
      <Choice
        label={t('formulas.routes.cover')}
        value={cover ?? NOT_SAID}
        values={[NOT_SAID, ...COVERS]}
        say={(each) => t(`stand.cover.${each}`)}
        width={144}
        onChange={(each) =>
          onChange(
            standing({
              ...(under && { under }),
              ...(each !== NOT_SAID && { cover: each as Cover }),
            }),
            t(`stand.cover.${each}`),
          )
        }
      />
      <Choice
        label={t('formulas.routes.under')}
        value={under ?? NOT_SAID}
        values={[NOT_SAID, ...UNDERS]}
        say={(each) => t(`stand.under.${each}`)}
        width={144}
        onChange={(each) =>
          onChange(
            standing({
              ...(cover && { cover }),
              ...(each !== NOT_SAID && { under: each as Under }),
            }),
            t(`stand.under.${each}`),
          )
        }
      />
    </>
  );
}

/** Whose hands a piece of work usually needs. */
const SKILL_OF: Readonly<Record<WorkKey, WorkStage['skill']>> = {
  'preferment-mix': 'mix',
  weigh: 'mix',
  mix: 'mix',
  'divide-ball': 'ball',
  sheet: 'sheet',
  pan: 'ball',
  chill: 'cold',
  pull: 'cold',
};

/** Hands on it. */
function Work({
  stage,
  onChange,
}: {
  readonly stage: WorkStage;
  readonly onChange: (stage: Stage, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const name = t(`work.${stage.key}`);
  const rate = (key: keyof WorkRate, value: number) =>
    onChange({ ...stage, rate: { ...stage.rate, [key]: value } }, f.duration(value));
  return (
    <div className={styles['row']} data-kind="work">
      <Choice
        label={t('formulas.routes.work')}
        value={stage.key}
        values={WORK_KEYS}
        say={(key) => t(`work.${key}`)}
        width={168}
        onChange={(key) => onChange({ ...stage, key, skill: SKILL_OF[key] }, t(`work.${key}`))}
      />
      <Choice
        label={t('formulas.routes.skill')}
        value={stage.skill}
        values={SKILLS}
        say={(skill) => t(`skill.${skill}`)}
        width={128}
        onChange={(skill) => onChange({ ...stage, skill }, t(`skill.${skill}`))}
      />
      <Choice
        label={t('formulas.routes.people')}
        value={stage.people}
        values={[1, 2]}
        say={String}
        width={96}
        onChange={(people) => onChange({ ...stage, people: people as 1 | 2 }, String(people))}
      />
      {(['fixedMin', 'perLoadMin', 'perHundredBallsMin'] as const).map((key) => (
        <LabelledCell
          key={key}
          name={t(`formulas.routes.rate.${key}`)}
          label={f.joined(name, t(`formulas.routes.rate.${key}`))}
          unit={f.symbols.min}
          value={stage.rate[key] ?? 0}
          rule={MINUTES}
          step={1}
          onCommit={(value) => rate(key, value)}
        />
      ))}
    </div>
  );
}
