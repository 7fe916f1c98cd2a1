import { personOf } from '@calm/domain';
import type { ColdAlarm, ColdBoard } from '@calm/contract';
import { CAUSES, type Cause } from '@calm/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { TextCell } from '../../../parts/fields/TextCell';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import { useWrite } from '../../../state/api/useWrite';
import air from '../air/Air.module.css';
import type { WalkInNow } from '../useWalkIn';
import { useAcknowledgeMutation } from '../walkInApi';

/** One thing may be seen by several probes of a place: whoever is on it is on all of it. */
function alarmsWith(alarm: ColdAlarm, { alarms, probes }: ColdBoard, placeId: string): ColdAlarm[] {
  const isHere = ({ probeId }: ColdAlarm) =>
    probes.find(({ id }) => id === probeId)?.placeId === placeId;
  const end = ({ untilAt }: ColdAlarm) => untilAt ?? '9999';
  return alarms.filter(
    (each) =>
      each.id === alarm.id ||
      (each.acknowledged === null &&
        isHere(each) &&
        each.fromAt <= end(alarm) &&
        end(each) >= alarm.fromAt),
  );
}

/** Who is on it, and what has been done. */
export function AlarmActions({
  now,
  alarm,
  placeId,
  mayMark,
}: {
  readonly now: WalkInNow;
  readonly alarm: ColdAlarm;
  readonly placeId: string;
  readonly mayMark: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { said } = useNotices();
  const { house, book } = now.board;
  const [acknowledge] = useAcknowledgeMutation();
  const together = alarmsWith(alarm, now.cold, placeId);
  const { write, isSending } = useWrite(async (sent: { cause: Cause | null; note: string }) => {
    const kept = await Promise.all(
      together.map(({ id, version }) =>
        acknowledge({ house, id, sent: { version, ...sent } }).unwrap(),
      ),
    );
    return kept[0];
  });
  const [cause, setCause] = useState<Cause | ''>(alarm.causes[0]?.cause ?? '');
  const [note, setNote] = useState('');
  const post = useOutboxItems(house);
  const nameOf = (id: string | null) => personOf(book, id)?.name ?? '';
  const actions = now.cold.notes.filter(
    ({ at, content }) =>
      content.kind === 'action' && content.placeId === placeId && at >= alarm.fromAt,
  );
  const { acknowledged } = alarm;
  const writeDown = (words: string) => {
    if (!words.trim()) return;
    const content = { kind: 'action', placeId, note: words.trim() } as const;
    post({ kind: 'cold', start: { id: crypto.randomUUID(), content } }, words);
    said(t('walkIn.alarm.written'));
  };
  return (
    <section>
      <h2 className={air['under']}>{t('walkIn.alarm.actions')}</h2>
      {acknowledged && (
        <p>
          {t('walkIn.alarm.taken', {
            name: nameOf(acknowledged.personId),
            at: f.moment(Date.parse(acknowledged.at)),
            cause: t(`walkIn.alarm.cause.${acknowledged.cause ?? 'unknown'}`, {
              defaultValue: t('walkIn.alarm.unknown'),
            }),
          })}{' '}
          {acknowledged.note && `“${acknowledged.note}”`}
        </p>
      )}
      <ul className={air['done']}>
        {actions.map(({ id, at, personId, content }) => (
          <li key={id}>
            <span className="quiet">
              {f.moment(Date.parse(at))} {nameOf(personId)}
            </span>{' '}
            {content.kind === 'action' && content.note}
          </li>
        ))}
      </ul>
      {mayMark && acknowledged === null && (
        <div className={air['form']}>
          <Choice
            label={t('walkIn.alarm.found')}
            width="100%"
            value={cause}
            values={['', ...CAUSES]}
            say={(each) => (each ? t(`walkIn.alarm.cause.${each}`) : t('walkIn.alarm.unknown'))}
            onChange={setCause}
          />
          <TextCell
            label={t('walkIn.alarm.note')}
            value={note}
            most={500}
            mayBeEmpty
            onCommit={setNote}
          />
          <Button
            variant="contained"
            size="large"
            disabled={isSending}
            onClick={() =>
              void write({ cause: cause === '' ? null : cause, note }).then((kept) => {
                if (kept) said(t('walkIn.alarm.acknowledged'));
              })
            }
          >
            {t('walkIn.alarm.mine')}
          </Button>
        </div>
      )}
      {mayMark && acknowledged !== null && (
        <div className={air['form']}>
          <TextCell
            key={actions.length}
            label={t('walkIn.alarm.action')}
            value=""
            most={500}
            onCommit={writeDown}
          />
        </div>
      )}
    </section>
  );
}
