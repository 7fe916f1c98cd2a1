import { CALENDAR_CONTENTS, paths, type CalendarContent, type CalendarLink } from '@calm/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { ShownOnce } from '../../../parts/machines/ShownOnce';
import { useTried } from '../../../parts/messages/useTried';
import styles from './CalendarLinksDialog.module.css';
import {
  useCalendarLinksQuery,
  useIssueCalendarLinkMutation,
  useRevokeCalendarLinkMutation,
} from './calendarLinksApi';

/** One's own calendars: an address that a calendar follows by itself, and which of them do. */
export function CalendarLinksDialog({
  house,
  onClose,
}: {
  readonly house: string;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { data: links = [] } = useCalendarLinksQuery(house);
  const [issue, { isLoading }] = useIssueCalendarLinkMutation();
  const [revoke] = useRevokeCalendarLinkMutation();
  const [address, setAddress] = useState<string | null>(null);
  const { wrong, tried } = useTried();
  const make = (content: CalendarContent) =>
    tried(async () => {
      const { secret } = await issue({ house, content }).unwrap();
      setAddress(new URL(paths.calendarFeed(house, secret), window.location.origin).href);
    });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('crew.calendar.title')}</DialogTitle>
      <DialogContent className={styles['content'] ?? ''}>
        <p>{t('crew.calendar.how')}</p>
        <div className={styles['make']}>
          {CALENDAR_CONTENTS.map((content) => (
            <Button
              key={content}
              variant="outlined"
              disabled={isLoading}
              onClick={() => void make(content)}
            >
              {t(`crew.calendar.make.${content}`)}
            </Button>
          ))}
        </div>
        {wrong && <p role="alert">{wrong}</p>}
        {address && <ShownOnce secret={address}>{t('crew.calendar.once')}</ShownOnce>}
        {links.length > 0 && (
          <ul className={styles['links']}>
            {links.map((link) => (
              <LinkRow
                key={link.id}
                link={link}
                onRevoke={() =>
                  void tried(async () => {
                    await revoke({ house, id: link.id }).unwrap();
                    setAddress(null);
                  })
                }
              />
            ))}
          </ul>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}

function LinkRow({
  link: { content, issuedAt, lastSeenAt },
  onRevoke,
}: {
  readonly link: CalendarLink;
  readonly onRevoke: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const at = (iso: string) => f.moment(Date.parse(iso));
  return (
    <li>
      <span>
        <b>{t(`crew.calendar.of.${content}`)}</b>{' '}
        <span className="quiet">
          {lastSeenAt
            ? t('crew.calendar.seen', { at: at(lastSeenAt) })
            : t('crew.calendar.made', { at: at(issuedAt) })}
        </span>
      </span>
      <Button size="small" color="error" onClick={onRevoke}>
        {t('crew.calendar.revoke')}
      </Button>
    </li>
  );
}
