import type { Crew } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Open } from '../open';
import { FormerPeople } from './FormerPeople';
import styles from './Crew.module.css';

/** Everybody, with what they are here, what they can do, and whether they can come in. */
export function People({
  crew,
  onOpen,
}: {
  readonly crew: Crew;
  readonly onOpen: ((open: Open) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <section>
      <h2>{t('crew.people')}</h2>
      <table className={styles['people']}>
        <tbody>
          {crew.people.map((person) => (
            <tr key={person.id}>
              <th scope="row">
                {onOpen ? (
                  <button
                    type="button"
                    aria-haspopup="dialog"
                    onClick={() => onOpen({ kind: 'person', of: person })}
                  >
                    {person.name}
                  </button>
                ) : (
                  person.name
                )}
              </th>
              <td>{t(`roles.${person.role}`)}</td>
              <td>
                {f.list(person.skills.map((skill) => t(`crew.skills.${skill}`))) ||
                  t('crew.noSkills')}
              </td>
              <td className={styles['cannot']}>{!person.canSignIn && t('crew.cannotSignIn')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {onOpen && <FormerPeople crew={crew} />}
    </section>
  );
}
