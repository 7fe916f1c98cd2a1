import Button from '@mui/material/Button';
import type { SignedInDevice } from '@calm/contract';
import Bowser from 'bowser';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { useEndSessionsMutation, useSessionsQuery } from '../../state/api/sessionApi';
import styles from './SignedInDevices.module.css';

/** Where whoever is signed in is signed in too; each of their other devices can be signed out from here. */
export function SignedInDevices({ house }: { readonly house: string }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { data } = useSessionsQuery(house);
  const [end, { isLoading }] = useEndSessionsMutation();
  const others = data?.filter(({ isThis }) => !isThis) ?? [];
  const nameOf = useDeviceName();
  if (!data || others.length === 0) return null;
  return (
    <section className={styles['devices']}>
      <h3>{t('signIn.devices')}</h3>
      <ul>
        {data.map((device) => (
          <li key={device.id}>
            <span>
              {nameOf(device)}
              <span className={`quiet small ${styles['when']}`}>
                {device.isThis
                  ? t('signIn.deviceThis')
                  : t('signIn.deviceSeen', { at: f.moment(Date.parse(device.seenAt)) })}
              </span>
            </span>
            {!device.isThis && (
              <Button
                size="small"
                disabled={isLoading}
                aria-label={t('signIn.endDevice', { device: nameOf(device) })}
                onClick={() => void end({ house, id: device.id })}
              >
                {t('signIn.signOut')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <Button size="small" disabled={isLoading} onClick={() => void end({ house, id: 'others' })}>
          {t('signIn.endOthers')}
        </Button>
      )}
    </section>
  );
}

/** A device by its browser and system, as far as it says them. */
function useDeviceName() {
  const { t } = useTranslation();
  return ({ agent }: SignedInDevice): string => {
    const { browser, os } = Bowser.parse(agent || 'unknown');
    return browser.name && os.name
      ? t('signIn.device', { browser: browser.name, system: os.name })
      : t('signIn.deviceUnknown');
  };
}
