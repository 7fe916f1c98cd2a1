import type { LoadTemps } from '@calm/contract';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import type { Board } from '../../../state/board/useBoard';
import styles from './BatchSheet.module.css';
import { LoadOut } from './LoadOut';
import { LotNote } from './LotNote';
import { RoomToRise } from './RoomToRise';
import { RemainingSteps } from './RemainingSteps';
import { formatReasonMessage } from '../../../parts/format/reasonMessage';
import { ScaleChain } from '../bench/ScaleChain';
import { SheetHead } from './SheetHead';
import { Steps } from './Steps';
import { useLoadTemps } from './useLoadTemps';
import { useSheet, type Sheet } from './useSheet';
import { WaterPanel } from './WaterPanel';
import { useWindowByLooks } from '../../../state/board/useWindowByLooks';
import { useLotRecords } from '../../../state/outbox/useRecords';
import { MeasureLot } from '../../../state/outbox/MeasureLot';
import { WindowByLooks } from '../../../parts/measures/WindowByLooks';
import { WindowNow } from './WindowNow';
import { WeighList } from './WeighList';
import { WithLot } from '../WithLot';
import { YeastPack } from './YeastPack';

/** The batch sheet of one product and date: from ball counts to the bowl, load by load. */
export function BatchSheet() {
  return (
    <WithLot>
      {(board, lot) => <OpenSheet key={lot.lot?.id ?? 'preview'} board={board} sheetOf={lot} />}
    </WithLot>
  );
}

function OpenSheet({
  board,
  sheetOf,
}: {
  readonly board: Board;
  readonly sheetOf: Parameters<typeof useSheet>[1];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const sheet = useSheet(board, sheetOf);
  const [shown, setShown] = useState(1);
  const { scaled, recipe } = sheet;
  const loads = scaled.ok ? scaled.value.loads.length : 0;
  const number = Math.min(shown, Math.max(1, loads));
  return (
    <Page
      title={t('mix.sheetTitle', { dough: recipe.formulaName, date: f.date(sheetOf.date) })}
      lead={sheetOf.items.map((item) => `${f.count(item.count)} × ${item.name}`).join(' · ')}
      aside={<SheetHead board={board} sheet={sheet} />}
    >
      {scaled.ok ? (
        <>
          <ScaleChain sheet={sheet} scaled={scaled.value} />
          {loads > 1 && (
            <Tabs
              value={number}
              onChange={(_event, value: number) => setShown(value)}
              className={styles['loads'] ?? ''}
              aria-label={t('mix.loads')}
            >
              {scaled.value.loads.map((_, i) => (
                <Tab key={i} value={i + 1} label={t('mix.load', { number: i + 1, of: loads })} />
              ))}
            </Tabs>
          )}
          <LoadSheet key={number} board={board} sheet={sheet} number={number} />
        </>
      ) : (
        <div role="alert" className={styles['cannot']}>
          {scaled.reasons.map((reason) => (
            <p key={reason.kind}>{formatReasonMessage(t, reason)}</p>
          ))}
        </div>
      )}
    </Page>
  );
}

/** One load: weigh, water, steps, what came out. */
function LoadSheet({
  board,
  sheet,
  number,
}: {
  readonly board: Board;
  readonly sheet: Sheet;
  readonly number: number;
}) {
  const { boardLot, scaled } = sheet;
  const load = useLoadTemps(board.house, sheet, number);
  const [live, setLive] = useState<LoadTemps | null>(null);
  const records = useLotRecords(board.house, boardLot.lot?.id ?? null);
  const seen = useWindowByLooks(board.book, boardLot, records);
  if (!scaled.ok) return null;
  const temps = live ?? load.temps;
  const yeast = scaled.value.loads[number - 1]?.ingredients.find(({ kind }) => kind === 'yeast');
  return (
    <div className={styles['sheet']}>
      <div className={styles['main']}>
        <WeighList sheet={sheet} scaled={scaled.value} number={number} temps={temps} />
        <Caution about="lifting" />
        {boardLot.lot && number === 1 && yeast && (
          <YeastPack house={board.house} sheet={sheet} lot={boardLot.lot} yeast={yeast} />
        )}
        <Steps board={board} sheet={sheet} number={number} />
        {number === 1 && (
          <RoomToRise board={board} boardLot={boardLot} roomTempC={temps.roomTempC} />
        )}
        {boardLot.lot && (
          <>
            <LoadOut sheet={sheet} number={number} load={load} scaled={scaled.value} />
            <WindowNow board={board} boardLot={boardLot} />
            <WindowByLooks seen={seen} />
            <MeasureLot house={board.house} lot={boardLot.lot} records={records} />
            <RemainingSteps board={board} boardLot={boardLot} />
            <LotNote house={board.house} lot={boardLot.lot} />
          </>
        )}
      </div>
      <WaterPanel
        sheet={sheet}
        scaled={scaled.value}
        load={load}
        temps={temps}
        onLive={setLive}
        number={number}
      />
    </div>
  );
}
