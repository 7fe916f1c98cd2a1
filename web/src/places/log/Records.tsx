import { personOf } from '@calm/domain';
import {
  paths,
  type HouseBook,
  type Lot,
  type LotRecord,
  type RecordContent,
} from '@calm/contract';
import { risenBy } from '@calm/core';
import Button from '@mui/material/Button';
import type { TFunction } from 'i18next';
import { memo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Formats } from '@calm/domain';
import { formatOdds } from '../../parts/format/odds';
import { useFormats } from '../../parts/format/useFormats';
import { TextCell } from '../../parts/fields/TextCell';
import { useAddRecord } from '../../state/outbox/useRecords';
import { EnteredLate } from '../../parts/messages/EnteredLate';
import styles from './Log.module.css';

/** What is read with the weights, not one by one. */
const COUNTED: readonly RecordContent['kind'][] = ['piece'];

/** Everything that was seen of a lot in time's order; what was corrected stays, struck through. */
export const Records = memo(function Records({
  house,
  lot,
  book,
  records,
  mayCorrect,
}: {
  readonly house: string;
  readonly lot: Lot;
  readonly book: HouseBook;
  readonly records: readonly LotRecord[];
  readonly mayCorrect: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const corrected = new Set(records.map(({ correctsId }) => correctsId));
  const shown = records
    .filter(({ content }) => !COUNTED.includes(content.kind))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  const nameOf = (id: string | null) => personOf(book, id)?.name ?? '';
  if (shown.length === 0) return <p className="quiet">{t('log.noRecords')}</p>;
  return (
    <ul className={styles['records']}>
      {shown.map((record) => (
        <li key={record.id} data-corrected={corrected.has(record.id)}>
          <span className="quiet">{f.moment(Date.parse(record.at))}</span>
          <span>
            {formatRecordMessage(record.content, lot, t, f)}
            {record.content.kind === 'photo' && (
              <a href={paths.photo(house, record.content.photoId)} target="_blank" rel="noreferrer">
                <img
                  className={styles['photo']}
                  src={paths.photo(house, record.content.photoId)}
                  alt={t('log.photo.alt', { code: lot.code })}
                  loading="lazy"
                />
              </a>
            )}
          </span>
          <span className="quiet">
            {nameOf(record.personId)}
            {record.correctsId !== null && ` ${t('log.corrects')}`} <EnteredLate of={record} />
          </span>
          {mayCorrect && !corrected.has(record.id) && 'note' in record.content && (
            <NoteOf house={house} lot={lot} record={record} />
          )}
        </li>
      ))}
    </ul>
  );
});

/** Puts a record's words right: another one takes its place, and it stays to be read. */
function NoteOf({
  house,
  lot,
  record: { id, content },
}: {
  readonly house: string;
  readonly lot: Lot;
  readonly record: LotRecord;
}) {
  const { t } = useTranslation();
  const [isOpen, setOpen] = useState(false);
  const add = useAddRecord(house);
  if (!('note' in content)) return null;
  if (!isOpen) return <Button onClick={() => setOpen(true)}>{t('log.correct')}</Button>;
  return (
    <TextCell
      label={t('log.note')}
      value={content.note}
      most={500}
      mayBeEmpty={content.kind !== 'said'}
      width={280}
      onCommit={(note) => {
        add(lot.id, { ...content, note }, `${lot.code}: ${note}`, id);
        setOpen(false);
      }}
    />
  );
}

/** A record as a sentence. */
function formatRecordMessage(content: RecordContent, lot: Lot, t: TFunction, f: Formats): string {
  const product = (id: string) => lot.items.find(({ productId }) => productId === id)?.name ?? '';
  const noted = (words: string, note: string) => (note ? `${words} “${note}”` : words);
  switch (content.kind) {
    case 'weighed':
      return t(content.loadNumber === 0 ? 'log.say.weighedAhead' : 'log.say.weighed', {
        load: content.loadNumber,
        what: content.key,
        grams: f.grams(content.grams, 1),
        wanted: f.grams(content.wantedG, 1),
      });
    case 'piece':
      return t('mix.balling.piece', {
        product: product(content.productId),
        grams: f.grams(content.grams),
      });
    case 'pulled':
      return t('log.say.pulled', {
        count: content.trays,
        balls: content.balls,
        product: product(content.productId),
      });
    case 'looked':
      return noted(
        [
          t('log.say.looked', { found: t(`found.${content.found}`) }),
          content.coreTempC === null
            ? ''
            : t('log.say.core', { core: f.temperature(content.coreTempC) }),
        ].join(' '),
        content.note,
      );
    case 'risen':
      return noted(
        t('measure.say.risen', {
          rise: f.times(risenBy(content.on, content.from, content.now)),
          on: t(`measure.on.${content.on}`),
        }),
        content.note,
      );
    case 'core':
      return noted(t('measure.say.core', { core: f.temperature(content.coreTempC) }), content.note);
    case 'checked':
      return noted(
        t('measure.say.checked', {
          check: t(`measure.kind.${content.check}`),
          answer: t(`measure.answer.${content.answer}`),
        }),
        content.note,
      );
    case 'not-yet':
      return noted(t('notYet.say', { next: t(`notYet.next.${content.next}`) }), content.note);
    case 'yeast':
      return noted(
        [
          content.openedOn === null
            ? ''
            : t('log.say.packOpened', { on: f.date(content.openedOn) }),
          content.proof === null
            ? ''
            : t('log.say.proof', { found: t(`yeast.proof.${content.proof}`) }),
        ]
          .filter(Boolean)
          .join(' '),
        content.note,
      );
    case 'preferment':
      return noted(
        [
          t('log.say.preferment', { found: t(`preferment.${content.found}`) }),
          content.tempC === null ? '' : t('log.say.core', { core: f.temperature(content.tempC) }),
        ].join(' '),
        content.note,
      );
    case 'decided':
      return noted(
        t('whatNow.say', {
          what: t(`whatNow.do.${content.do}`),
          balls: f.count(content.meant.balls),
          odds: formatOdds(t, content.meant.odds),
        }),
        content.note,
      );
    case 'opened':
      return noted(t('log.say.opened', { found: t(`found.${content.found}`) }), content.note);
    case 'baked':
      return noted(
        [
          t('log.say.baked', { found: t(`found.${content.found}`) }),
          content.ovenC === undefined
            ? ''
            : t('log.say.oven', { oven: f.temperature(content.ovenC, 0) }),
          content.minutes === undefined
            ? ''
            : t('log.say.bakedFor', {
                minutes: `${f.plain(content.minutes, 1)}\u202f${f.symbols.min}`,
              }),
        ]
          .filter(Boolean)
          .join(' '),
        content.note,
      );
    case 'used':
      return noted(
        t('log.say.used', {
          product: product(content.productId),
          used: content.used,
          left: content.left,
          to: t(`leftover.${content.leftTo}`),
        }),
        content.note,
      );
    case 'moved':
      return t('log.say.moved', {
        count: content.trays,
        balls: content.balls,
        product: product(content.productId),
        to: content.to ? `${content.to.zone} ${content.to.position}` : t('log.say.out'),
      });
    case 'discarded':
      return noted(
        t('log.say.discarded', { balls: content.balls, product: product(content.productId) }),
        content.note,
      );
    case 'first':
      return noted(t(content.isFirst ? 'log.say.first' : 'log.say.inTurn'), content.note);
    case 'photo':
      return noted(t('log.photo.said'), content.note);
    case 'said':
      return `“${content.note}”`;
    case 'taken-back':
      return t('log.say.takenBack');
  }
}
