import type { Recipe } from '@calm/contract';
import { adviseWater, type Load } from '@calm/core';
import { aheadAmounts, aheadSteps, type BoardLot, scaleStepG } from '@calm/domain';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Page } from '../../../parts/layout/Page';
import { Caution } from '../../../parts/messages/Caution';
import { Message } from '../../../parts/messages/Message';
import type { Board } from '../../../state/board/useBoard';
import { useLotRecords } from '../../../state/outbox/useRecords';
import { useWakeLock } from '../../../state/time/useWakeLock';
import { AtScale } from '../bench/AtScale';
import { turnsByIngredient, turnsByStep, weighedTurns, type TurnGroup } from '../bench/turns';
import benchStyles from '../bench/WeighOff.module.css';
import { useSheet } from '../sheet/useSheet';
import { WithStartedLot } from '../WithLot';
import { AheadLook } from './AheadLook';
import { AheadSteps } from './AheadSteps';
import { Standing, StandsNow } from './Standing';

/** What is mixed ahead is the whole lot's, not a load's. */
const WHOLE_LOT = 0;

/** A lot's pre-ferment and old dough: weighed, stirred, left to stand, looked at before they go into the bowl. */
export function Ahead() {
  return (
    <WithStartedLot>
      {(board, lot) => <AheadSheet key={lot.lot?.id} board={board} boardLot={lot} />}
    </WithStartedLot>
  );
}

function AheadSheet({ board, boardLot }: { readonly board: Board; readonly boardLot: BoardLot }) {
  useWakeLock(true);
  const { t } = useTranslation();
  const { recipe, scaled } = useSheet(board, boardLot);
  const records = useLotRecords(board.house, boardLot.lot?.id ?? null);
  const [chosen, setChosen] = useState<string | null>(null);
  const { lot } = boardLot;
  if (!lot || !scaled.ok) return null;
  const { preferment } = scaled.value;
  const oldDough = oldDoughOf(scaled.value.loads);
  const sheetPath = `/${board.house}/mix/${boardLot.date}/${boardLot.product.slug}`;
  if (!preferment && oldDough.length === 0) {
    return (
      <Message
        title={t('mix.ahead.none')}
        text={t('mix.ahead.noneHow')}
        link={{ label: t('mix.paper.back'), to: sheetPath }}
      />
    );
  }
  const groups: TurnGroup[] = [
    ...(preferment ? aheadTurns(recipe, preferment) : []),
    ...(oldDough.length > 0 ? turnsByIngredient(oldDough) : []),
  ];
  const weighed = weighedTurns(records, WHOLE_LOT);
  const turns = groups.flatMap((group) => group.turns);
  const turn =
    turns.find(({ id }) => id === chosen) ?? turns.find(({ id }) => !weighed.has(id)) ?? null;
  return (
    <Page
      title={t('mix.ahead.title', {
        name: recipe.formula.preferment?.name ?? recipe.formula.oldDough?.name ?? '',
        code: boardLot.code,
      })}
      aside={
        <Button component={Link} to={sheetPath} variant="outlined" size="large">
          {t('mix.paper.back')}
        </Button>
      }
    >
      {preferment && <Standing house={board.house} boardLot={boardLot} />}
      <div className={benchStyles['weighing']}>
        {turn ? (
          <AtScale
            key={turn.id}
            house={board.house}
            lotId={lot.id}
            code={boardLot.code}
            number={WHOLE_LOT}
            turn={turn}
            stepG={scaleStepG(recipe.settings, turn.line.kind)}
            water={
              turn.line.kind === 'water' && preferment
                ? waterFor(board, preferment, turn.line.grams)
                : null
            }
            before={weighed.get(turn.id) ?? null}
            onDone={() => setChosen(null)}
          />
        ) : (
          <p className={benchStyles['all']}>{t('mix.weighOff.all')}</p>
        )}
        <div>
          <AheadSteps
            house={board.house}
            lot={lot}
            recipe={recipe}
            groups={groups}
            weighed={weighed}
            now={turn}
            onChoose={setChosen}
          />
          {preferment && <StandsNow house={board.house} boardLot={boardLot} />}
        </div>
      </div>
      {preferment && <AheadLook house={board.house} lot={lot} records={records} />}
      <Caution about="flour-dust" />
    </Page>
  );
}

/** Step by step; each ingredient at once where no step says what goes in. */
function aheadTurns(recipe: Recipe, preferment: Load): TurnGroup[] {
  const amounts = aheadAmounts(recipe, preferment);
  return amounts
    ? turnsByStep(aheadSteps(recipe), amounts)
    : turnsByIngredient(preferment.ingredients);
}

/** All the old dough that a lot's loads want, as one line. */
function oldDoughOf(loads: readonly Load[]): Load['ingredients'] {
  const lines = loads.flatMap(({ ingredients }) =>
    ingredients.filter(({ kind }) => kind === 'old-dough'),
  );
  const [line] = lines;
  if (!line) return [];
  const sum = (weights: readonly number[]) => weights.reduce((to, each) => to + each, 0);
  return [
    {
      ...line,
      grams: sum(lines.map(({ grams }) => grams)),
      exactG: sum(lines.map(({ exactG }) => exactG)),
    },
  ];
}

/** Water that brings a pre-ferment to the house's usual temperature, stirred by hand. */
function waterFor({ book }: Board, preferment: Load, waterG: number) {
  const usualC = book.house.settings.usualTempsC;
  const flourG = preferment.ingredients.reduce(
    (sum, { kind, exactG }) => (kind === 'flour' ? sum + exactG : sum),
    0,
  );
  return adviseWater({
    doughTempC: usualC.preferment,
    roomTempC: usualC.room,
    flourTempC: usualC.flour,
    tapTempC: usualC.tap,
    frictionC: 0,
    flourG,
    waterG,
    oilG: 0,
    pourBy: 'heat-balance',
  });
}
