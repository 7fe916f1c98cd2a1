import type { MethodStep } from '@calm/contract';
import { methodTime, minutesInBowl, type StepAmount } from '@calm/core';
import { fullBowl, scaleStepG, stepAmountsOf } from '@calm/domain';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import type { Board } from '../../../state/board/useBoard';
import styles from './BatchSheet.module.css';
import { timerKey } from '../../../state/time/timers';
import { useDraft } from '../../../state/drafts/useDraft';
import { useMark } from '../../../state/outbox/useMark';
import { decimalsOf, nameOf } from '../bench/weighWords';
import { StepCheck } from './StepCheck';
import type { Sheet } from './useSheet';

/** The method's steps in order, ticked off load by load. */
export function Steps({
  board,
  sheet,
  number,
}: {
  readonly board: Board;
  readonly sheet: Sheet;
  readonly number: number;
}) {
  const { t } = useTranslation();
  const { recipe } = sheet;
  const { method } = recipe;
  const { scaled } = sheet.boardLot;
  const load = scaled.ok ? scaled.value.loads[number - 1] : undefined;
  const amounts = useMemo(() => load && stepAmountsOf(recipe, load), [recipe, load]);
  return (
    <section aria-label={t('mix.steps.title')}>
      <h2>{method.name}</h2>
      <p className="quiet small">{method.why}</p>
      {sheet.boardLot.lot && amounts && (
        <Button
          variant="outlined"
          component={Link}
          to={`/${board.house}/mix/${sheet.boardLot.date}/${sheet.boardLot.product.slug}/weigh?load=${number}&by=step`}
        >
          {t('mix.weighOff.byStep')}
        </Button>
      )}
      {load && <LoadTime board={board} sheet={sheet} doughKg={load.doughG / 1000} />}
      {!sheet.boardLot.lot && <p className={styles['hint']}>{t('mix.steps.startFirst')}</p>}
      <ol className={styles['steps']}>
        {method.steps.map((step, i) => (
          <Step
            key={step.key}
            board={board}
            sheet={sheet}
            number={number}
            step={step}
            amounts={amounts?.steps[i] ?? NONE}
          />
        ))}
      </ol>
      {amounts && amounts.rest.length > 0 && (
        <p className={styles['hint']}>
          {t('mix.steps.notNamed')} <Amounts amounts={amounts.rest} sheet={sheet} />
        </p>
      )}
    </section>
  );
}

const NONE: readonly StepAmount[] = [];

/** Minutes that make a difference at the bowl. */
const FELT_MIN = 2;

/** How long this load is worked, where that is not what the method tells for a full one. */
function LoadTime({
  board,
  sheet,
  doughKg,
}: {
  readonly board: Board;
  readonly sheet: Sheet;
  readonly doughKg: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { recipe } = sheet;
  const { mixers, house, formulas } = board.book;
  const mixer = mixers.find(({ id }) => id === recipe.mixer.id);
  const toldFor =
    mixers.find(
      ({ id }) => id === formulas.find((each) => each.id === recipe.formulaId)?.mixerId,
    ) ?? mixer;
  const time = methodTime(recipe.method.steps);
  if (!mixer || !toldFor || !time) return null;
  const bowl = { ...fullBowl(recipe, mixer, house.settings), doughKg };
  const work = { ...time, standsMin: 0 };
  const minutes = minutesInBowl(work, fullBowl(recipe, toldFor, house.settings), bowl);
  if (Math.abs(minutes - time.workedMin) < FELT_MIN) return null;
  return (
    <p className="quiet">
      {t('mix.steps.thisLoad', {
        kg: f.kilograms(doughKg * 1000, 1),
        mixer: mixer.name,
        minutes: f.duration(minutes),
        told: f.duration(time.workedMin),
      })}
    </p>
  );
}

/** What goes in, to be read while pouring. */
function Amounts({
  amounts,
  sheet,
}: {
  readonly amounts: readonly StepAmount[];
  readonly sheet: Sheet;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { settings } = sheet.recipe;
  return (
    <>
      {amounts.map((amount) => (
        <span key={amount.key} className={styles['amount']}>
          <b>{f.grams(amount.grams, decimalsOf(scaleStepG(settings, amount.kind)))}</b>{' '}
          {nameOf(t, amount)}
        </span>
      ))}
    </>
  );
}

function Step({
  board,
  sheet,
  number,
  step,
  amounts,
}: {
  readonly board: Board;
  readonly sheet: Sheet;
  readonly number: number;
  readonly step: MethodStep;
  /** What goes into the bowl at it. */
  readonly amounts: readonly StepAmount[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { lot } = sheet.boardLot;
  const tick = useMark(board.house, lot, number, step.key, step.title);
  const timer = useDraft<number>(timerKey(lot?.id ?? '', number, step.key));
  const pace = [
    step.minutes === undefined ? '' : f.duration(step.minutes),
    step.leastMinutes === undefined
      ? ''
      : t('mix.steps.least', { minutes: f.duration(step.leastMinutes) }),
    step.speed ? t(`mix.steps.${step.speed}`) : '',
  ];
  return (
    <li data-done={tick.isDone}>
      <Checkbox
        checked={tick.isDone}
        disabled={!lot || tick.isSending}
        onChange={(event) => tick.toggle(event.target.checked)}
        slotProps={{ input: { 'aria-label': step.title } }}
        sx={{ width: 48, height: 48, '& svg': { fontSize: 32 } }}
      />
      <div className={styles['step']}>
        <b>
          {step.title} <span className="quiet">{f.list(pace.filter(Boolean))}</span>
          {tick.doneAt !== null && (
            <span className={styles['at']}> {f.time(Date.parse(tick.doneAt))}</span>
          )}
        </b>
        {lot && step.minutes !== undefined && tick.doneAt === null && (
          <Button
            variant="outlined"
            onClick={() => {
              if (tick.startedAt !== null) return tick.more(2);
              timer.keep(0);
              tick.start();
            }}
          >
            {t(tick.startedAt === null ? 'mark.begin' : 'mark.twoMore')}
          </Button>
        )}
        {amounts.length > 0 && (
          <p className={styles['amounts']}>
            <Amounts amounts={amounts} sheet={sheet} />
          </p>
        )}
        <p>{step.detail}</p>
        {step.lookFor && <p className={styles['lookFor']}>{step.lookFor}</p>}
        {step.lookFor && lot && !tick.isDone && (
          <StepCheck
            house={board.house}
            lotId={lot.id}
            loadNumber={number}
            step={step}
            tick={tick}
          />
        )}
        {step.caution && <Caution about={step.caution} />}
      </div>
    </li>
  );
}
