import type { AdvisedChoice } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { decisionOf, type BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { Link, useParams, useSearchParams } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { Caution } from '../../../parts/messages/Caution';
import { Waiting } from '../../../parts/messages/Waiting';
import { usePermission } from '../../../state/api/usePermission';
import type { Board } from '../../../state/board/useBoard';
import { useRecordOutcome } from '../../../state/outbox/useRecordOutcome';
import { WithBoard } from '../WithBoard';
import { BackWords } from '../../../parts/lots/BackWords';
import { actionWords } from '../../../parts/lots/actionWords';
import { Decided } from '../../../state/advice/Decided';
import { ChoiceItem } from './ChoiceItem';
import { choiceWork } from './choiceWork';
import { useWhatNow } from '../../../state/advice/useWhatNow';
import styles from './WhatNow.module.css';

/** What can still be done with a lot that waits: each way simulated, side by side. */
export function WhatNow() {
  return <WithBoard>{(board) => <OfAddress board={board} />}</WithBoard>;
}

function OfAddress({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const { lot: code = '' } = useParams();
  const lot = board.lots.find((each) => each.lot?.id === code || each.lot?.code === code);
  if (!lot?.lot)
    return (
      <Page title={t('whatNow.title')}>
        <p>{t('whatNow.noLot')}</p>
      </Page>
    );
  return <OfLot key={code} board={board} lot={lot} started={lot.lot} />;
}

function OfLot({
  board,
  lot,
  started,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly started: NonNullable<BoardLot['lot']>;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const mayMark = usePermission('mark');
  const put = useRecordOutcome(board.house, started);
  const [params, setParams] = useSearchParams();
  const products = lot.items.flatMap(({ productId, count }) =>
    count > 0 ? (board.book.products.find(({ id }) => id === productId) ?? []) : [],
  );
  const product = products.find(({ slug }) => slug === params.get('of')) ?? lot.product;
  const { isKnown, question, latest } = useWhatNow(board, lot, product);
  const { decided } = started;
  const answer = latest?.answer;
  const asked = latest?.question ?? question;
  const choose = (choice: AdvisedChoice) => {
    if (!asked) return;
    const content = decisionOf(choice, asked);
    put({ kind: 'decided', ...content, note: '' }, actionWords(t, choice), decided);
  };
  return (
    <Page
      title={t('whatNow.titleOf', { code: started.code })}
      lead={t('whatNow.lead')}
      aside={
        <Button variant="outlined" component={Link} to={`/${board.house}/log/${started.code}`}>
          {t('whatNow.record')}
        </Button>
      }
    >
      {decided && <Decided board={board} boardLot={lot} decided={decided} />}
      {products.length > 1 && (
        <ToggleButtonGroup
          exclusive
          value={product.id}
          aria-label={t('whatNow.ballsOf')}
          sx={{ mb: 2, '& button': { minHeight: 48 } }}
          onChange={(_event, id: string | null) => {
            const to = products.find((each) => each.id === id);
            if (to) setParams({ of: to.slug }, { replace: true });
          }}
        >
          {products.map(({ id, name }) => (
            <ToggleButton key={id} value={id}>
              {name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      {isKnown && !question && <p>{t('whatNow.notMixed')}</p>}
      {(!isKnown || question) && !answer && <Waiting />}
      {answer && !answer.ok && <p role="alert">{t('whatNow.cannot')}</p>}
      {asked && answer?.ok && (
        <>
          <p className={styles['now']}>
            <b>{t(`doughState.${answer.value.now.state}`)}</b>{' '}
            <span className="quiet">
              {t('whatNow.is', {
                rise: f.times(answer.value.now.rise, 1),
                core: f.temperature(answer.value.now.coreTempC, 0),
              })}
            </span>
          </p>
          <BackWords back={answer.value.back} mixedMs={asked.way.mixedMs} />
          <ol className={styles['choices']}>
            {answer.value.choices.map((choice, i) => (
              <ChoiceItem
                key={`${choice.do}/${choice.where}`}
                choice={choice}
                mixedMs={asked.way.mixedMs}
                nowMs={asked.nowMs}
                untilMs={lastEnd(answer.value.choices, asked.way.mixedMs)}
                services={asked.services}
                work={choiceWork(
                  board,
                  lot,
                  choice,
                  asked.services.reduce((sum, { balls }) => sum + balls, 0),
                  asked.way.mixedMs,
                )}
                before={asItIs(answer.value.choices, asked.way.mixedMs)}
                isFirst={i === 0}
                onChoose={mayMark && choice.do !== 'keep' ? () => choose(choice) : null}
              />
            ))}
          </ol>
          <Caution about="cold-room" />
        </>
      )}
    </Page>
  );
}

/** When the last of some windows ends. */
const lastEnd = (choices: readonly AdvisedChoice[], mixedMs: number): number =>
  mixedMs + HOUR_MS * Math.max(0, ...choices.map(({ window }) => window?.latestHour ?? 0));

/** When it opens if nothing is done. */
function asItIs(choices: readonly AdvisedChoice[], mixedMs: number) {
  const window = choices.find((choice) => choice.do === 'keep')?.window;
  return window
    ? {
        startMs: mixedMs + window.earliestHour * HOUR_MS,
        endMs: mixedMs + window.latestHour * HOUR_MS,
      }
    : null;
}
