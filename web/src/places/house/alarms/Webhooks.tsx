import type { Webhook } from '@calm/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ShownOnce } from '../../../parts/machines/ShownOnce';
import { useTried } from '../../../parts/messages/useTried';
import styles from '../House.module.css';
import {
  useIssueWebhookMutation,
  useRevokeWebhookMutation,
  useTestWebhookMutation,
} from './alarmCallsApi';

/** Programs that alarms are posted to, each with a secret that is shown once. */
export function Webhooks({
  house,
  webhooks,
}: {
  readonly house: string;
  readonly webhooks: readonly Webhook[];
}) {
  const { t } = useTranslation();
  const [issue] = useIssueWebhookMutation();
  const [revoke] = useRevokeWebhookMutation();
  const [test] = useTestWebhookMutation();
  const [secret, setSecret] = useState<string | null>(null);
  const [typed, setTyped] = useState<{ name: string; url: string } | null>(null);
  const { wrong, tried } = useTried();
  return (
    <>
      {webhooks.length > 0 && (
        <ul className={styles['list']}>
          {webhooks.map(({ id, name, url }) => (
            <li key={id}>
              <b>{name}</b> <span className="quiet">{url}</span>
              <Button
                size="small"
                aria-label={t('house.alarms.testOf', { name })}
                onClick={() => void tried(async () => void (await test({ house, id }).unwrap()))}
              >
                {t('house.alarms.test')}
              </Button>
              <Button
                size="small"
                color="error"
                aria-label={t('house.alarms.removeOf', { name })}
                onClick={() => void tried(async () => void (await revoke({ house, id }).unwrap()))}
              >
                {t('record.remove')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {typed === null ? (
        <Button size="small" onClick={() => setTyped({ name: '', url: '' })}>
          {t('house.alarms.addWebhook')}
        </Button>
      ) : (
        <form
          className={styles['row']}
          onSubmit={(submit) => {
            submit.preventDefault();
            void tried(async () => {
              const { secret: told } = await issue({ house, start: typed }).unwrap();
              setSecret(told);
              setTyped(null);
            });
          }}
        >
          <TextField
            size="small"
            autoFocus
            label={t('house.alarms.webhookName')}
            value={typed.name}
            onChange={({ target }) => setTyped({ ...typed, name: target.value })}
            slotProps={{ htmlInput: { maxLength: 80 } }}
          />
          <TextField
            size="small"
            label={t('house.alarms.webhookUrl')}
            value={typed.url}
            type="url"
            onChange={({ target }) => setTyped({ ...typed, url: target.value })}
            slotProps={{ htmlInput: { maxLength: 1000 } }}
          />
          <Button type="submit" disabled={typed.name.trim() === '' || typed.url.trim() === ''}>
            {t('house.alarms.webhookSave')}
          </Button>
          <Button onClick={() => setTyped(null)}>{t('record.cancel')}</Button>
        </form>
      )}
      {wrong && <p role="alert">{wrong}</p>}
      {secret && <ShownOnce secret={secret}>{t('house.alarms.secretOnce')}</ShownOnce>}
    </>
  );
}
