import { AHEAD_STEP, type Lot, type MethodStep, type Recipe, type RecordOf } from '@calm/contract';
import { isUsualAhead, scaleStepG } from '@calm/domain';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useTranslation } from 'react-i18next';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { useMark } from '../../../state/outbox/useMark';
import type { Turn, TurnGroup } from '../bench/turns';
import { decimalsOf, nameOf } from '../bench/weighWords';
import styles from './Ahead.module.css';

/** The steps of what is mixed ahead, with what goes in at each; old dough has none. */
export function AheadSteps({
  house,
  lot,
  recipe,
  groups,
  weighed,
  now,
  onChoose,
}: {
  readonly house: string;
  readonly lot: Lot;
  readonly recipe: Recipe;
  readonly groups: readonly TurnGroup[];
  readonly weighed: ReadonlyMap<string, RecordOf<'weighed'>>;
  readonly now: Turn | null;
  readonly onChoose: (id: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <ol className={styles['steps']} aria-label={t('mix.ahead.steps')}>
      {groups.map(({ step, turns }) => (
        <li key={step?.key ?? 'rest'}>
          {step && <StepHead house={house} lot={lot} recipe={recipe} step={step} />}
          {turns.map((turn) => (
            <Line
              key={turn.id}
              turn={turn}
              recipe={recipe}
              record={weighed.get(turn.id) ?? null}
              isNow={turn.id === now?.id}
              onChoose={() => onChoose(turn.id)}
            />
          ))}
        </li>
      ))}
    </ol>
  );
}

function StepHead({
  house,
  lot,
  recipe,
  step,
}: {
  readonly house: string;
  readonly lot: Lot;
  readonly recipe: Recipe;
  readonly step: MethodStep;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const isUsual = isUsualAhead(recipe);
  const title = isUsual ? t(`mix.ahead.usual.${step.key}`) : step.title;
  const tick = useMark(house, lot, 0, `${AHEAD_STEP}${step.key}`, title);
  return (
    <div className={styles['step']} data-done={tick.isDone}>
      <Checkbox
        checked={tick.isDone}
        disabled={tick.isSending}
        onChange={(event) => tick.toggle(event.target.checked)}
        slotProps={{ input: { 'aria-label': title } }}
        sx={{ width: 48, height: 48, '& svg': { fontSize: 32 } }}
      />
      <div>
        <b>
          {title}{' '}
          {step.minutes !== undefined && <span className="quiet">{f.duration(step.minutes)}</span>}
          {tick.doneAt !== null && (
            <span className="quiet"> {f.time(Date.parse(tick.doneAt))}</span>
          )}
        </b>
        {step.minutes !== undefined && tick.startedAt === null && !tick.isDone && (
          <p>
            <Button variant="outlined" onClick={tick.start}>
              {t('mark.begin')}
            </Button>
          </p>
        )}
        <p>{isUsual ? t(`mix.ahead.usualHow.${step.key}`) : step.detail}</p>
        {step.lookFor && <p className="quiet">{step.lookFor}</p>}
        {step.caution && <Caution about={step.caution} />}
      </div>
    </div>
  );
}

function Line({
  turn: { line },
  recipe,
  record,
  isNow,
  onChoose,
}: {
  readonly turn: Turn;
  readonly recipe: Recipe;
  readonly record: RecordOf<'weighed'> | null;
  readonly isNow: boolean;
  readonly onChoose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const stepG = scaleStepG(recipe.settings, line.kind);
  return (
    <button
      type="button"
      className={styles['line']}
      data-now={isNow}
      data-done={record !== null}
      aria-current={isNow}
      onClick={onChoose}
    >
      <span>{nameOf(t, line)}</span>
      <b>{f.grams(record?.content.grams ?? line.grams, decimalsOf(stepG))}</b>
    </button>
  );
}
