import { personOf } from '@calm/domain';
import type { Handover } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useSessionQuery } from '../../../state/api/api';
import type { Board } from '../../../state/board/useBoard';
import { usePermission } from '../../../state/api/usePermission';
import { EnteredLate } from '../../../parts/messages/EnteredLate';
import { useNotices } from '../../../parts/messages/Notices';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import { useReadHandoverMutation, useWithdrawHandoverMutation } from '../crewApi';
import styles from './Handover.module.css';
import { HandoverParts } from './HandoverParts';

/** One handover, and whether anybody has read it. */
export function HandoverCard({
  board: { house, book },
  handover: { id, at, receivedAt, personId, lines, note, read },
}: {
  readonly board: Board;
  readonly handover: Handover;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { data: me } = useSessionQuery(house);
  const mayMark = usePermission('mark');
  const [readIt, { isLoading }] = useReadHandoverMutation();
  const [remove, removing] = useWithdrawHandoverMutation();
  const post = useOutboxItems(house);
  const { changed, failed } = useNotices();
  const isMine = me?.personId === personId;
  const takeBack = async () => {
    const { error } = await remove({ house, id });
    if (error) return failed(t('crew.handover.notDeleted'));
    changed(t('crew.handover.deleted'), async () =>
      post({ kind: 'handover', start: { at, lines, note } }, t('crew.handover.title')),
    );
  };
  const nameOf = (who: string | null) => personOf(book, who)?.name ?? '';
  return (
    <article className={styles['card']} data-unread={read === null}>
      <header>
        <b>{t('crew.handover.from', { name: nameOf(personId), at: f.moment(Date.parse(at)) })}</b>{' '}
        <EnteredLate of={{ at, receivedAt }} />
        <span className="quiet">
          {read
            ? t('crew.handover.readBy', {
                name: nameOf(read.personId),
                at: f.moment(Date.parse(read.at)),
              })
            : t('crew.handover.unread')}
        </span>
        {!read && mayMark && isMine && (
          <Button variant="outlined" disabled={removing.isLoading} onClick={() => void takeBack()}>
            {t('record.remove')}
          </Button>
        )}
        {!read && mayMark && !isMine && (
          <Button
            variant="contained"
            size="large"
            disabled={isLoading}
            onClick={() => void readIt({ house, id })}
          >
            {t('crew.handover.read')}
          </Button>
        )}
      </header>
      <HandoverParts lines={lines} />
      {note && <p>{note}</p>}
    </article>
  );
}
