import type { Crew } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useHouse } from '../../../state/board/useBoard';
import { useRejoinCrewMutation } from '../crewApi';
import styles from './Crew.module.css';

/** Whoever has left the crew; what they did keeps their name, and they can come back. */
export function FormerPeople({ crew: { formerPeople } }: { readonly crew: Crew }) {
  const { t } = useTranslation();
  const house = useHouse();
  const [rejoin, { isLoading }] = useRejoinCrewMutation();
  if (formerPeople.length === 0) return null;
  return (
    <details className={styles['former']}>
      <summary>{t('crew.former.title', { count: formerPeople.length })}</summary>
      <table className={styles['people']}>
        <tbody>
          {formerPeople.map(({ id, name }) => (
            <tr key={id}>
              <th scope="row">{name}</th>
              <td>
                <Button
                  size="small"
                  variant="outlined"
                  disabled={isLoading}
                  onClick={() => void rejoin({ house, id })}
                >
                  {t('crew.former.back', { name })}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
