import type { HouseStart, OwnerStart } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { HouseStartFields, likelyStart } from '../../parts/house/HouseStartFields';
import { problemWords } from '../../parts/messages/problemWords';
import { useStartFirstHouseMutation } from '../../state/api/sessionApi';
import { displayed } from '../../state/display';
import { deviceStorage, isObject } from '../../state/storage';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { isGoodOwner, OwnerFields, ownerOf } from './OwnerFields';
import styles from './SignIn.module.css';

/** What was typed of the house outlives a reload; codes and passwords do not. */
const typed = deviceStorage<Partial<HouseStart>>('calm-tray.first-house', {}, (stored) =>
  isObject(stored) ? (stored as Partial<HouseStart>) : {},
);

/** A server without a house: its owner begins the first one with the code that the server printed. */
export function FirstHouse() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const display = useAppSelector((state) => state.display);
  const [begin, { isLoading, error }] = useStartFirstHouseMutation();
  const [{ country, start: likely }] = useState(() => likelyStart(display));
  const [start, setStart] = useState<HouseStart>(() => ({ ...likely, ...typed.read() }));
  const [owner, setOwner] = useState<OwnerStart>({
    code: '',
    name: '',
    initials: '',
    password: '',
  });
  const [hasTried, setTried] = useState(false);
  const submit = async () => {
    setTried(true);
    if (!isGoodOwner(owner)) return;
    const answer = await begin({
      house: { ...start, name: start.name.trim() },
      owner: ownerOf(owner),
    });
    if (!answer.data) return;
    typed.write({});
    // The bare address leads to the house, now that there is one.
    dispatch(displayed(start.display));
  };
  return (
    <main className={styles['signIn']}>
      <header>
        <span className={styles['product']}>Calm Tray</span>
      </header>
      <h1>{t('newHouse.title')}</h1>
      <p>{t('newHouse.lead')}</p>
      <form
        className={styles['begin']}
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <h2>{t('newHouse.you')}</h2>
        <OwnerFields
          owner={owner}
          hasTried={hasTried}
          onChange={(to) => setOwner((was) => ({ ...was, ...to }))}
        />
        <h2>{t('newHouse.house')}</h2>
        <HouseStartFields
          start={start}
          firstCountry={country}
          onChange={(to) => {
            const next = { ...start, ...to };
            setStart(next);
            typed.write(next);
          }}
        />
        {error && <p role="alert">{problemWords(t, error, t('signIn.unreached'))}</p>}
        <Button type="submit" variant="contained" size="large" disabled={isLoading}>
          {t('newHouse.create')}
        </Button>
      </form>
    </main>
  );
}
