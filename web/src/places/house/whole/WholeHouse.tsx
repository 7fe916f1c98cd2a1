import { paths, type House } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useKeepHouseMutation, usePutAsideMutation, useTakeUpMutation } from '../houseApi';
import styles from '../House.module.css';
import { EraseDialog } from './EraseDialog';

/** All of a house at once: to take it elsewhere, or to end it. */
export function WholeHouse({ house }: { readonly house: House }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { said, changed, failed } = useNotices();
  const [keep, { isLoading }] = useKeepHouseMutation();
  const [isOpen, setOpen] = useState(false);
  const [putAside, { isLoading: isPutting }] = usePutAsideMutation();
  const [takeUp, { isLoading: isTaking }] = useTakeUpMutation();
  const { slug, name, eraseOn, asideOn } = house;
  const turn = async () => {
    const there = () => putAside(slug).unwrap();
    const back = () => takeUp(slug).unwrap();
    try {
      await (asideOn === null ? there() : back());
      if (asideOn === null) changed(t('house.whole.isAside', { name }), back);
      else changed(t('house.whole.isTakenUp', { name }), there);
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  const keepIt = async () => {
    try {
      await keep(slug).unwrap();
      said(t('house.whole.kept'));
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <section className={styles['section']} aria-label={t('house.whole.title')}>
      <h2>{t('house.whole.title')}</h2>
      <p className="quiet">{t('house.whole.archiveWhy')}</p>
      <Button
        size="small"
        variant="outlined"
        component="a"
        href={paths.houseArchive(slug)}
        download
      >
        {t('house.whole.archive')}
      </Button>
      <p className="quiet">
        {asideOn === null
          ? t('house.whole.asideWhy')
          : t('shell.asideOn', { name, date: f.date(asideOn) })}
      </p>
      <Button
        size="small"
        variant="outlined"
        disabled={isPutting || isTaking}
        onClick={() => void turn()}
      >
        {t(asideOn === null ? 'house.whole.putAside' : 'house.whole.takeUp')}
      </Button>
      {eraseOn === null ? (
        <Button size="small" color="error" aria-haspopup="dialog" onClick={() => setOpen(true)}>
          {t('house.whole.erase')}
        </Button>
      ) : (
        <>
          <p>{t('house.whole.eraseOn', { date: f.date(eraseOn) })}</p>
          <Button variant="contained" disabled={isLoading} onClick={() => void keepIt()}>
            {t('house.whole.keep')}
          </Button>
        </>
      )}
      {isOpen && <EraseDialog house={house} onClose={() => setOpen(false)} />}
    </section>
  );
}
