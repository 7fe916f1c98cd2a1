import type { ContactChange, OwnContact } from '@calm/contract';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { TimeOfDay } from '../../../parts/fields/TimeOfDay';
import { useFormats } from '../../../parts/format/useFormats';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useNotices } from '../../../parts/messages/Notices';
import { SentList } from '../../../parts/messages/SentList';
import { useTried } from '../../../parts/messages/useTried';
import styles from './ContactDialog.module.css';
import {
  useChangeContactMutation,
  useForgetPushDeviceMutation,
  useOwnContactQuery,
  useRegisterPushDeviceMutation,
  useTestContactMutation,
} from './contactApi';
import { canBeTold, subscribe, ToldNotTo } from './pushSubscription';

/** How one is told of alarms while nobody looks: by e-mail, on which devices, and when not. */
export function ContactDialog({
  house,
  onClose,
}: {
  readonly house: string;
  readonly onClose: () => void;
}) {
  const { data: own } = useOwnContactQuery(house);
  return own ? <Form house={house} own={own} onClose={onClose} /> : null;
}

function Form({
  house,
  own,
  onClose,
}: {
  readonly house: string;
  readonly own: OwnContact;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [change] = useChangeContactMutation();
  const [test] = useTestContactMutation();
  const { wrong, tried } = useTried();
  const [email, setEmail] = useState(own.contact.email ?? '');
  const [fromMin, setFrom] = useState(own.contact.quiet?.fromMin ?? null);
  const [untilMin, setUntil] = useState(own.contact.quiet?.untilMin ?? null);
  const [isWeekSent, setWeekSent] = useState(own.contact.isWeekSent);
  const typed: Omit<ContactChange, 'version'> = {
    email: email.trim() === '' ? null : email.trim(),
    quiet: fromMin === null || untilMin === null ? null : { fromMin, untilMin },
    isWeekSent,
  };
  const keep = async () => {
    const { version } = own.contact;
    const kept = await change({ house, change: { ...typed, version } }).unwrap();
    return async () => {
      const back = { ...own.contact, version: kept.contact.version };
      await change({ house, change: back }).unwrap();
    };
  };
  const isTyped =
    typed.email !== own.contact.email ||
    typed.isWeekSent !== own.contact.isWeekSent ||
    JSON.stringify(typed.quiet) !== JSON.stringify(own.contact.quiet);
  return (
    <RecordDialog
      title={t('crew.contact.title')}
      wrong={wrong}
      width="sm"
      onKeep={() =>
        void tried(async () => {
          changed(t('crew.contact.kept'), await keep());
          onClose();
        })
      }
      onClose={onClose}
    >
      <p>{t('crew.contact.how')}</p>
      <TextField
        label={t('crew.contact.email')}
        type="email"
        value={email}
        onChange={({ target }) => setEmail(target.value)}
        helperText={
          own.mailFrom
            ? t('crew.contact.from', { address: own.mailFrom })
            : t('crew.contact.noMail')
        }
        slotProps={{ htmlInput: { maxLength: 254, autoComplete: 'email' } }}
      />
      <FormControlLabel
        control={
          <Checkbox
            checked={isWeekSent}
            sx={{ width: 48, height: 48 }}
            onChange={({ target }) => setWeekSent(target.checked)}
          />
        }
        label={t('crew.contact.week')}
      />
      <fieldset className={styles['quiet']}>
        <legend>{t('crew.contact.quiet')}</legend>
        <TimeOfDay label={t('crew.contact.quietFrom')} minute={fromMin} onChange={setFrom} />
        <TimeOfDay label={t('crew.contact.quietUntil')} minute={untilMin} onChange={setUntil} />
      </fieldset>
      <Devices house={house} own={own} />
      <div>
        <Button
          variant="outlined"
          disabled={typed.email === null && own.devices.length === 0}
          onClick={() =>
            void tried(async () => {
              if (isTyped) await keep();
              await test(house).unwrap();
            })
          }
        >
          {t('crew.contact.test')}
        </Button>
        <SentList notifications={own.notifications} whose={() => ''} />
      </div>
    </RecordDialog>
  );
}

/** Browsers that are told, too; this one can be among them. */
function Devices({ house, own }: { readonly house: string; readonly own: OwnContact }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [register] = useRegisterPushDeviceMutation();
  const [forget] = useForgetPushDeviceMutation();
  const [isToldNotTo, setToldNotTo] = useState(false);
  const { wrong, tried } = useTried();
  const { pushKey } = own;
  const add = (key: string) =>
    tried(async () => {
      try {
        const start = await subscribe(key, (kind) => t(`crew.contact.device.${kind}`));
        await register({ house, start }).unwrap();
        setToldNotTo(false);
      } catch (error) {
        // What the browser refuses, whoever made it or whoever holds it, is said in words of ours.
        if (!(error instanceof ToldNotTo || error instanceof DOMException)) throw error;
        setToldNotTo(true);
      }
    });
  return (
    <section aria-label={t('crew.contact.devices')}>
      <h3>{t('crew.contact.devices')}</h3>
      {own.devices.length > 0 && (
        <ul className={styles['devices']}>
          {own.devices.map(({ id, name, issuedAt }) => (
            <li key={id}>
              <span>
                <b>{name}</b>{' '}
                <span className="quiet">
                  {t('crew.contact.since', { at: f.moment(Date.parse(issuedAt)) })}
                </span>
              </span>
              <Button
                size="small"
                color="error"
                onClick={() => void tried(async () => void (await forget({ house, id }).unwrap()))}
              >
                {t('record.remove')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {canBeTold() && pushKey ? (
        <Button variant="outlined" onClick={() => void add(pushKey)}>
          {t('crew.contact.thisDevice')}
        </Button>
      ) : (
        <p className="quiet">{t('crew.contact.cannot')}</p>
      )}
      {isToldNotTo && <p role="alert">{t('crew.contact.toldNotTo')}</p>}
      {wrong && <p role="alert">{wrong}</p>}
    </section>
  );
}
