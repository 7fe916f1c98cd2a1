import { adviseLoad, stepAmountsOf, type BoardLot, scaleStepG } from '@calm/domain';
import type { MethodStep, RecordOf } from '@calm/contract';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { Fragment, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import type { Board } from '../../../state/board/useBoard';
import { useLotRecords } from '../../../state/outbox/useRecords';
import { useSheet } from '../sheet/useSheet';
import { WindowNow } from '../sheet/WindowNow';
import { useWakeLock } from '../../../state/time/useWakeLock';
import styles from './WeighOff.module.css';
import { AtScale } from './AtScale';
import {
  begunBy,
  turnsByIngredient,
  turnsByStep,
  WEIGH_BY,
  weighedTurns,
  type Turn,
  type WeighBy,
} from './turns';
import { decimalsOf, nameOf } from './weighWords';
import { WithStartedLot } from '../WithLot';

/** One load weighed off, one ingredient at a time, on the bench scale or by typing. */
export function WeighOff() {
  return (
    <WithStartedLot>
      {(board, lot) => <Weighing key={lot.lot?.id} board={board} boardLot={lot} />}
    </WithStartedLot>
  );
}

function Weighing({ board, boardLot }: { readonly board: Board; readonly boardLot: BoardLot }) {
  useWakeLock(true);
  const { t } = useTranslation();
  const sheet = useSheet(board, boardLot);
  const [params] = useSearchParams();
  const { scaled, recipe } = sheet;
  const number = Math.max(1, Number.parseInt(params.get('load') ?? '', 10) || 1);
  const records = useLotRecords(board.house, boardLot.lot?.id ?? null);
  const load = scaled.ok ? scaled.value.loads[number - 1] : undefined;
  const record = boardLot.lot?.loads.find((each) => each.number === number);
  const [chosen, setChosen] = useState<string | null>(null);
  if (!load || !record || !boardLot.lot) return null;
  const weighed = weighedTurns(records, number);
  const amounts = stepAmountsOf(recipe, load);
  const begun = begunBy(weighed);
  const by: WeighBy = amounts ? (begun ?? wantedBy(params.get('by'))) : 'ingredient';
  const groups =
    amounts && by === 'step'
      ? turnsByStep(recipe.method.steps, amounts)
      : turnsByIngredient(load.ingredients);
  const turns = groups.flatMap((group) => group.turns);
  const next = turns.find(({ id }) => !weighed.has(id));
  const turn = turns.find(({ id }) => id === chosen) ?? next ?? null;
  const { pourTempC, iceG } = adviseLoad(recipe, load, record, record.frictionC);
  const stepOf = ({ kind }: Turn['line']) => scaleStepG(recipe.settings, kind);
  const sheetPath = `/${board.house}/mix/${boardLot.date}/${boardLot.product.slug}`;
  return (
    <Page
      title={t('mix.weighOff.title', { code: boardLot.code, number })}
      aside={
        <Button component={Link} to={sheetPath} variant="outlined" size="large">
          {t('mix.paper.back')}
        </Button>
      }
    >
      <WindowNow board={board} boardLot={boardLot} isOnlyIfMoved />
      <div className={styles['weighing']}>
        {turn ? (
          <AtScale
            key={`${number}/${turn.id}`}
            house={board.house}
            lotId={boardLot.lot.id}
            code={boardLot.code}
            number={number}
            turn={turn}
            stepG={stepOf(turn.line)}
            water={
              turn.line.kind === 'water'
                ? { pourTempC, iceG: turn.isHeldBack ? 0 : Math.min(iceG, turn.line.grams) }
                : null
            }
            before={weighed.get(turn.id) ?? null}
            onDone={() => setChosen(null)}
          />
        ) : (
          <p className={styles['all']}>{t('mix.weighOff.all')}</p>
        )}
        <div>
          {amounts && (
            <WeighByChoice by={by} isBegun={begun !== null} onChange={() => setChosen(null)} />
          )}
          <ol className={styles['lines']}>
            {groups.map(({ step, turns: own }) => (
              <Fragment key={step?.key ?? 'all'}>
                {by === 'step' && <StepHead step={step} />}
                {own.map((each) => (
                  <Line
                    key={each.id}
                    line={each.line}
                    stepG={stepOf(each.line)}
                    record={weighed.get(each.id) ?? null}
                    isNow={each === turn}
                    onChoose={() => setChosen(each.id)}
                  />
                ))}
              </Fragment>
            ))}
          </ol>
        </div>
      </div>
      <Caution about="flour-dust" />
      <Caution about="lifting" />
    </Page>
  );
}

const wantedBy = (said: string | null): WeighBy => (said === 'step' ? 'step' : 'ingredient');

/** Each ingredient at once, or step by step; once a load is begun, it goes on as it was begun. */
function WeighByChoice({
  by,
  isBegun,
  onChange,
}: {
  readonly by: WeighBy;
  readonly isBegun: boolean;
  readonly onChange: () => void;
}) {
  const { t } = useTranslation();
  const [params, setParams] = useSearchParams();
  return (
    <ToggleButtonGroup
      exclusive
      value={by}
      disabled={isBegun}
      aria-label={t('mix.weighOff.how')}
      sx={{ mb: 2, '& button': { minHeight: 48 } }}
      onChange={(_event, to: WeighBy | null) => {
        if (to === null) return;
        params.set('by', to);
        setParams(params, { replace: true });
        onChange();
      }}
    >
      {WEIGH_BY.map((each) => (
        <ToggleButton key={each} value={each}>
          {t(`mix.weighOff.by.${each}`)}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** A step of the method over what goes in at it. */
function StepHead({ step }: { readonly step: MethodStep | null }) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <li className={styles['step']}>
      {step ? step.title : t('mix.weighOff.noStep')}
      {step?.minutes !== undefined && (
        <span className="quiet small"> {f.duration(step.minutes)}</span>
      )}
    </li>
  );
}

type Weighed = RecordOf<'weighed'>;

/** One ingredient of the load: to be weighed, or as it was. */
function Line({
  line,
  stepG,
  record,
  isNow,
  onChoose,
}: {
  readonly line: Turn['line'];
  readonly stepG: number;
  readonly record: Weighed | null;
  readonly isNow: boolean;
  readonly onChoose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const decimals = decimalsOf(stepG);
  const offG = record ? record.content.grams - record.content.wantedG : 0;
  return (
    <li data-now={isNow} data-done={record !== null}>
      <button type="button" onClick={onChoose} aria-current={isNow}>
        <span>{nameOf(t, line)}</span>
        <b>{f.grams(record?.content.grams ?? line.grams, decimals)}</b>
        <span className="quiet">
          {record
            ? Math.abs(offG) < stepG / 2
              ? t('mix.weighOff.right')
              : t(offG > 0 ? 'mix.weighOff.over' : 'mix.weighOff.under', {
                  by: f.grams(Math.abs(offG), decimals),
                })
            : ''}
        </span>
      </button>
    </li>
  );
}
