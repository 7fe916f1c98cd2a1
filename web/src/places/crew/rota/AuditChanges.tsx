import type { AuditChange } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import styles from './Crew.module.css';

/** As much of a value as fits a line. */
const LONGEST = 60;

const textOf = (value: unknown): string => {
  const text = typeof value === 'string' ? value : JSON.stringify(value ?? null);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
};

/** What a write changed, field by field, before and after; folded until somebody wants to know. */
export function AuditChanges({ changes }: { readonly changes: readonly AuditChange[] }) {
  const { t } = useTranslation();
  return (
    <details className={styles['changes']}>
      <summary>{t('crew.activity.changes', { count: changes.length })}</summary>
      <ul>
        {changes.map((change, i) => (
          <li key={i}>
            <code>
              {change.what} {change.id}
            </code>
            <Fields of={change} />
          </li>
        ))}
      </ul>
    </details>
  );
}

function Fields({ of: { before, after } }: { readonly of: AuditChange }) {
  const names = [...new Set([...Object.keys(before ?? {}), ...Object.keys(after ?? {})])];
  return (
    <dl>
      {names.map((name) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>
            {before && <del>{textOf(before[name])}</del>}{' '}
            {after && <ins>{textOf(after[name])}</ins>}
          </dd>
        </div>
      ))}
    </dl>
  );
}
