import {
  BAKINGS,
  LEFTOVERS,
  LOOKS,
  OPENINGS,
  type Leftover,
  type Lot,
  type LotItem,
  type LotRecord,
  type RecordContent,
  type RecordOf,
} from '@calm/contract';
import { currentRecords } from '@calm/domain';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../parts/fields/Choice';
import { useFormats } from '../../parts/format/useFormats';
import { NumberField } from '../../parts/fields/NumberField';
import { BALLS } from '../../parts/fields/readNumber';
import { TextCell } from '../../parts/fields/TextCell';
import styles from './Log.module.css';
import { TakePhoto } from './TakePhoto';
import { useLotRecords } from '../../state/outbox/useRecords';
import { useRecordOutcome } from '../../state/outbox/useRecordOutcome';

/** How a lot turned out, one press each: at opening, in the oven, what was left; and a look at the dough. */
export function Outcomes({
  house,
  lot,
  records: shown,
}: {
  readonly house: string;
  readonly lot: Lot;
  /** As the page shows them, which may be a moment behind. */
  readonly records: readonly LotRecord[];
}) {
  const { t } = useTranslation();
  // What is pressed corrects what was pressed just before, however fast that was.
  const newest = useLotRecords(house, lot.id);
  const records = newest.length > 0 ? newest : shown;
  const record = useRecordOutcome(house, lot);
  const ask = <Found extends string>(
    kind: 'opened' | 'baked',
    names: readonly Found[],
    contentOf: (found: Found) => RecordContent,
  ) => {
    const now = currentRecords(records, kind).at(-1);
    return (
      <section aria-label={t(`log.ask.${kind}`)}>
        <h2 className={styles['head']}>{t(`log.ask.${kind}`)}</h2>
        <div className={styles['found']}>
          {names.map((found) => (
            <Button
              key={found}
              variant={now?.content.found === found ? 'contained' : 'outlined'}
              aria-pressed={now?.content.found === found}
              onClick={() => {
                if (now?.content.found === found) return;
                // What stands is corrected by what is pressed; the first one stays to be read.
                record(contentOf(found), t(`found.${found}`), now);
              }}
            >
              {t(`found.${found}`)}
            </Button>
          ))}
        </div>
      </section>
    );
  };
  return (
    <>
      <div className={styles['two']}>
        {ask('opened', OPENINGS, (found) => ({ kind: 'opened', found, note: '' }))}
        <div>
          {ask('baked', BAKINGS, (found) => ({
            ...ovenOf(records),
            kind: 'baked',
            found,
            note: '',
          }))}
          <AtOven
            baked={currentRecords(records, 'baked').at(-1)}
            onPut={(content, before) => record(content, t('log.ask.baked'), before)}
          />
        </div>
      </div>
      <div className={styles['two']}>
        <section aria-label={t('log.ask.left')}>
          <h2 className={styles['head']}>{t('log.ask.left')}</h2>
          {lot.items.map((item) => (
            <Used
              key={item.productId}
              item={item}
              records={records}
              onPut={(content, before) => record(content, t('log.ask.left'), before)}
            />
          ))}
        </section>
        <section aria-label={t('log.ask.look')}>
          <h2 className={styles['head']}>{t('log.ask.look')}</h2>
          <Looked onPut={record} />
          <div className={styles['used']}>
            <TakePhoto house={house} lot={lot} />
          </div>
          <TextCell
            label={t('log.ask.say')}
            value=""
            most={500}
            onCommit={(note) => record({ kind: 'said', note }, note)}
          />
        </section>
      </div>
    </>
  );
}

/** How hot the oven was, and how long it baked, as last told. */
function ovenOf(records: readonly LotRecord[]): Pick<BakedContent, 'ovenC' | 'minutes'> {
  const { ovenC, minutes } = currentRecords(records, 'baked').at(-1)?.content ?? {};
  return { ...(ovenC !== undefined && { ovenC }), ...(minutes !== undefined && { minutes }) };
}

type BakedContent = Extract<RecordContent, { readonly kind: 'baked' }>;

/** How hot the oven was and how long it took, beside how they came out. */
function AtOven({
  baked,
  onPut,
}: {
  readonly baked: RecordOf<'baked'> | undefined;
  readonly onPut: (content: RecordContent, before: LotRecord | undefined) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const now = baked?.content;
  // How hot it was belongs to how they came out: nothing is put down that nobody said.
  const put = (to: Pick<BakedContent, 'ovenC' | 'minutes'>) =>
    now && onPut({ ...now, ...to }, baked);
  return (
    <div className={styles['used']}>
      <NumberField
        label={t('log.oven')}
        measure="temp"
        rule={{ min: 80, max: 700, decimals: 0, mayBeEmpty: true }}
        step={5}
        disabled={!now}
        value={now?.ovenC ?? null}
        onCommit={(ovenC) => ovenC !== null && put({ ovenC })}
      />
      <NumberField
        label={t('log.bakedFor')}
        unit={f.symbols.min}
        rule={{ min: 0.5, max: 180, decimals: 1, mayBeEmpty: true }}
        step={0.5}
        disabled={!now}
        value={now?.minutes ?? null}
        onCommit={(minutes) => minutes !== null && put({ minutes })}
      />
    </div>
  );
}

/** What was left of one product, and what became of it. */
function Used({
  item,
  records,
  onPut,
}: {
  readonly item: LotItem;
  readonly records: readonly LotRecord[];
  readonly onPut: (content: RecordContent, before: LotRecord | undefined) => void;
}) {
  const { t } = useTranslation();
  const now = currentRecords(records, 'used')
    .filter(({ content }) => content.productId === item.productId)
    .at(-1);
  const [to, setTo] = useState<Leftover>(now?.content.leftTo ?? 'kept');
  const put = (left: number, leftTo: Leftover) =>
    onPut(
      {
        kind: 'used',
        productId: item.productId,
        used: Math.max(0, item.count - left),
        left,
        leftTo,
        note: now?.content.note ?? '',
      },
      now,
    );
  return (
    <div className={styles['used']}>
      <div>
        <NumberField
          label={t('log.leftOf', { product: item.name })}
          rule={{ ...BALLS, max: item.count, mayBeEmpty: true }}
          value={now?.content.left ?? null}
          onCommit={(left) => left !== null && put(left, to)}
        />
      </div>
      <Choice
        label={t('log.leftTo')}
        value={to}
        values={LEFTOVERS}
        say={(each) => t(`leftover.${each}`)}
        onChange={(each) => {
          setTo(each);
          if (now) put(now.content.left, each);
        }}
      />
    </div>
  );
}

/** A look at the dough. */
function Looked({ onPut }: { readonly onPut: (content: RecordContent, words: string) => void }) {
  const { t } = useTranslation();
  return (
    <div className={styles['used']}>
      {LOOKS.map((found) => (
        <Button
          key={found}
          variant="outlined"
          size="large"
          onClick={() =>
            onPut({ kind: 'looked', found, coreTempC: null, note: '' }, t(`found.${found}`))
          }
        >
          {t(`found.${found}`)}
        </Button>
      ))}
    </div>
  );
}
