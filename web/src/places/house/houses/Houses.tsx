import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useHousesQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import styles from '../House.module.css';
import { NewHouseDialog } from './NewHouseDialog';

/** The houses of this server: where else to go, and a new one. */
export function Houses({ mayBegin }: { readonly mayBegin: boolean }) {
  const { t } = useTranslation();
  const house = useHouse();
  const { data: houses = [] } = useHousesQuery();
  const [isOpen, setOpen] = useState(false);
  const others = houses.filter(({ slug }) => slug !== house);
  return (
    <section className={styles['section']} aria-label={t('house.houses.title')}>
      <div className={styles['head']}>
        <h2>{t('house.houses.title')}</h2>
        {mayBegin && (
          <Button size="small" aria-haspopup="dialog" onClick={() => setOpen(true)}>
            {t('house.houses.add')}
          </Button>
        )}
      </div>
      {others.length === 0 ? (
        <p className="quiet">{t('house.houses.only')}</p>
      ) : (
        <ul className={styles['list']}>
          {others.map(({ slug, name, asideOn }) => (
            <li key={slug}>
              <Link to={`/${slug}/tonight`}>{name}</Link>
              {asideOn !== null && <span className="quiet small"> {t('house.houses.aside')}</span>}
            </li>
          ))}
        </ul>
      )}
      {isOpen && <NewHouseDialog onClose={() => setOpen(false)} />}
    </section>
  );
}
