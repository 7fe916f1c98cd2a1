import Button from '@mui/material/Button';
import { Link } from 'react-router';
import styles from './Message.module.css';

/** A calm full-page word: what is so, and the next thing to do. */
export function Message({
  title,
  text,
  action,
  link,
}: {
  readonly title: string;
  readonly text: string;
  readonly action?: { readonly label: string; readonly onClick: () => void };
  readonly link?: { readonly label: string; readonly to: string };
}) {
  return (
    <div className={styles['message']}>
      <h1>{title}</h1>
      <p>{text}</p>
      {action && (
        <Button variant="contained" onClick={action.onClick}>
          {action.label}
        </Button>
      )}
      {link && (
        <Button variant="contained" component={Link} to={link.to}>
          {link.label}
        </Button>
      )}
    </div>
  );
}
