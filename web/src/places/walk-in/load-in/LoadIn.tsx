import { HOUR_MS, putAway, type LoadInWay } from '@calm/core';
import { racksAt, standingIn, traysOf, type BoardLot } from '@calm/domain';
import { STANDARD_COLD_RULES, type Place, type Product } from '@calm/contract';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Caution } from '../../../parts/messages/Caution';
import { Choice } from '../../../parts/fields/Choice';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { Page } from '../../../parts/layout/Page';
import { Waiting } from '../../../parts/messages/Waiting';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useNotices } from '../../../parts/messages/Notices';
import { useCursor } from '../../../state/time/useCursor';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import { usePermission } from '../../../state/api/usePermission';
import { coldWorker } from '../../../workers/cold/cold';
import type { LoadInAnswer, WarmTrays } from '../../../workers/cold/coldAnswers';
import { useLatest } from '../../../workers/useLatest';
import styles from '../air/Air.module.css';
import { loadInWays } from './loadInChoices';
import { spotsWords } from '../spotWords';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import { WalkInNav } from '../WalkInNav';
import { EffectTable } from './EffectTable';

/** How to bring warm trays in: all at once or in two goes, spaced or stacked; what each does to the room. */
export function LoadIn() {
  const { t } = useTranslation();
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  if (!now) return <WaitingPage />;
  const coming = comingIn(now);
  return (
    <Page title={t('walkIn.loadIn.title')} lead={t('walkIn.loadIn.lead')}>
      <WalkInNav />
      {coming.length === 0 ? (
        <p>{t('walkIn.loadIn.none')}</p>
      ) : (
        <Planning now={now} coming={coming} />
      )}
    </Page>
  );
}

/** Balls that are to come into a cold place, the next first. */
interface Coming {
  readonly key: string;
  readonly lot: BoardLot;
  readonly product: Product;
  readonly place: Place;
  readonly atMs: number;
}

function comingIn({ board }: WalkInNow): Coming[] {
  const { places, products } = board.book;
  return board.lots
    .flatMap((lot) => {
      const cold = lot.stages.find(({ kind, key }) => kind === 'rest' && key === 'cold');
      const place =
        cold?.kind === 'rest' ? places.find(({ name, room }) => name === cold.place && room) : null;
      if (!cold || !place) return [];
      return lot.items.flatMap((item): Coming[] => {
        const product = products.find(({ id }) => id === item.productId);
        const key = `${lot.lot?.id ?? `${lot.code}/${lot.date}`}/${item.productId}`;
        return product ? [{ key, lot, product, place, atMs: cold.startMs }] : [];
      });
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** Balls come off the bench about so warm, °C. */
const BENCH_C = 23;

function Planning({
  now,
  coming,
}: {
  readonly now: WalkInNow;
  readonly coming: readonly Coming[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const { said } = useNotices();
  const mayMark = usePermission('mark');
  const post = useOutboxItems(now.board.house);
  const next = coming.find(({ atMs }) => atMs >= nowMs) ?? coming.at(-1);
  const [chosen, setChosen] = useState(next?.key ?? '');
  const what = coming.find(({ key }) => key === chosen) ?? next;
  const [changed, setChanged] = useState<number | null>(null);
  const [doughC, setDoughC] = useState(BENCH_C);
  const [apartH, setApartH] = useState(2);
  const trays = changed ?? (what ? traysOf(what.lot, what.product) : 0);
  const { limitC } = now.board.book.house.settings.cold ?? STANDARD_COLD_RULES;
  const ways = useMemo(() => loadInWays(trays, apartH), [trays, apartH]);
  const question = useMemo(() => {
    if (!what || trays <= 0) return null;
    const kgATray = (what.product.ballsPerTray * what.product.ballWeightG) / 1000;
    return {
      cold: now.question,
      ways,
      limitC,
      load: {
        room: what.place.name,
        trays,
        kgATray,
        fromMs: Math.max(now.question.nowS * 1000, what.atMs),
        lotKey: what.lot.lot?.id ?? `${what.lot.code}/${what.lot.date}`,
        doughC,
      },
    };
  }, [now.question, what, trays, doughC, ways, limitC]);
  const latest = useLatest(ask, question);
  const answer = latest?.answer.ok ? latest.answer.value : null;
  const effects = answer?.effects ?? null;
  const where = useMemo(() => {
    if (!what) return { puts: [], without: 0 };
    const { board, question: asked } = now;
    const { shown } = racksAt(board.lots, board.book, asked.records, what.atMs, nowMs);
    const others = shown.filter(({ lot }) => lot !== what.lot).map(({ stack }) => stack);
    return putAway(what.place, standingIn(what.place, others), trays, true);
  }, [now, what, trays, nowMs]);
  if (!what) return null;
  const goAt = Math.max(nowMs, what.atMs);
  const keep = (way: LoadInWay) => {
    const words = t('walkIn.loadIn.kept', {
      code: what.lot.code,
      goes: f.list(
        way.goes.map(({ afterH, trays: some }) =>
          t('walkIn.loadIn.go', { count: some, at: f.time(goAt + afterH * HOUR_MS) }),
        ),
      ),
    });
    const content = { kind: 'action', placeId: what.place.id, note: words } as const;
    post({ kind: 'cold', start: { id: crypto.randomUUID(), content } }, words);
    said(words);
  };
  return (
    <>
      <LoadInFields
        coming={coming}
        load={{ key: what.key, trays, doughC, apartH }}
        onChange={(to) => {
          if (to.key !== undefined) {
            setChosen(to.key);
            setChanged(null);
          }
          if (to.trays !== undefined) setChanged(to.trays);
          if (to.doughC !== undefined) setDoughC(to.doughC);
          if (to.apartH !== undefined) setApartH(to.apartH);
        }}
      />
      {!effects ? (
        <Waiting />
      ) : (
        <EffectTable
          effects={effects}
          ways={latest?.question.ways ?? []}
          isBusy={latest?.question !== question}
          apartH={apartH}
          limitC={limitC}
          onUse={mayMark ? keep : null}
        />
      )}
      {answer && (
        <p>
          {t('walkIn.loadIn.most', { count: answer.mostAtOnce, limit: f.temperature(limitC) })}{' '}
          {where.puts.length > 0 && t('walkIn.loadIn.where', { spots: spotsWords(f, where.puts) })}{' '}
          {where.without > 0 && (
            <b>{t('walkIn.loadIn.noRoom', { count: where.without, place: what.place.name })}</b>
          )}
        </p>
      )}
      <p className="quiet">{t('walkIn.loadIn.why', { place: what.place.name })}</p>
      <Caution about="lifting" />
      <Caution about="cold-room" />
    </>
  );
}

/** What is brought in, and how. */
interface Load {
  readonly key: string;
  readonly trays: number;
  readonly doughC: number;
  readonly apartH: number;
}

function LoadInFields({
  coming,
  load,
  onChange,
}: {
  readonly coming: readonly Coming[];
  readonly load: Load;
  readonly onChange: (to: Partial<Load>) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <div className={styles['fields']}>
      <Choice
        label={t('walkIn.loadIn.what')}
        width="100%"
        value={load.key}
        values={coming.map(({ key }) => key)}
        say={(key) => {
          const each = coming.find((one) => one.key === key);
          return each
            ? t('walkIn.loadIn.lot', {
                code: each.lot.code,
                product: each.product.name,
                at: f.moment(each.atMs),
              })
            : '';
        }}
        onChange={(key) => onChange({ key })}
      />
      <LabelledCell
        name={t('walkIn.loadIn.trays')}
        unit=""
        value={load.trays}
        rule={{ min: 1, max: 400, decimals: 0 }}
        step={1}
        onCommit={(trays) => onChange({ trays })}
      />
      <LabelledCell
        name={t('walkIn.loadIn.warm')}
        measure="temp"
        value={load.doughC}
        rule={{ min: 5, max: 35, decimals: 0 }}
        step={1}
        onCommit={(doughC) => onChange({ doughC })}
      />
      <LabelledCell
        name={t('walkIn.loadIn.apart')}
        unit={f.symbols.h}
        value={load.apartH}
        rule={{ min: 0.5, max: 8, decimals: 1 }}
        step={0.5}
        onCommit={(apartH) => onChange({ apartH })}
      />
    </div>
  );
}

type Asked = {
  readonly cold: WalkInNow['question'];
  readonly load: WarmTrays;
  readonly ways: readonly LoadInWay[];
  readonly limitC: number;
};

const ask = async ({ cold, load, ways, limitC }: Asked): Promise<LoadInAnswer> =>
  coldWorker().loadIn(cold, load, ways, limitC);
