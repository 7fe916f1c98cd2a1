import CloseOutlined from '@mui/icons-material/CloseOutlined';
import IconButton from '@mui/material/IconButton';
import Markdown from 'markdown-to-jsx/react';
import { useEffect, useRef, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useLocation } from 'react-router';
import styles from './Help.module.css';
import { ManualPicture } from './ManualPicture';
import { useManual } from './useManual';

/** A page of the manual beside the page that it is about; Escape closes it. */
export function Help({ page, onClose }: { readonly page: string; readonly onClose: () => void }) {
  const { t } = useTranslation();
  const pages = useManual();
  const title = useRef<HTMLHeadingElement>(null);
  const opener = useRef(document.activeElement);
  const isHere = pages.length > 0;
  useEffect(() => title.current?.focus(), [page, isHere]);
  const close = () => {
    onClose();
    if (opener.current instanceof HTMLElement) opener.current.focus();
  };
  const shown = pages.find(({ id }) => id === page);
  return (
    <aside
      className={styles['help']}
      aria-label={t('help.title')}
      aria-busy={!isHere}
      onKeyDown={(event) => {
        if (event.key === 'Escape') close();
      }}
    >
      <div className={styles['head']}>
        <h2 ref={title} tabIndex={-1}>
          {shown?.title ?? (isHere ? t('help.none') : t('help.title'))}
        </h2>
        <IconButton aria-label={t('help.close')} title={t('help.close')} onClick={close}>
          <CloseOutlined />
        </IconButton>
      </div>
      {shown && (
        <Markdown
          className={styles['text']}
          options={{
            disableParsingRawHTML: true,
            overrides: { a: ManualLink, img: ManualPicture, h2: 'h3' },
          }}
        >
          {withWords(shown.text, t)}
        </Markdown>
      )}
      <nav className={styles['contents']} aria-label={t('help.contents')}>
        <h3>{t('help.contents')}</h3>
        <ul>
          {pages.map(({ id, title: name }) => (
            <li key={id}>
              <ManualLink href={`${id}.md`}>{name}</ManualLink>
            </li>
          ))}
        </ul>
      </nav>
    </aside>
  );
}

/** What stands on a button is said by the words that stand on it. */
function withWords(text: string, t: (key: string) => string): string {
  return text.replace(/\[\[([\w.-]+)\]\]/g, (_whole, key: string) => `**${t(key)}**`);
}

/** From one page of the manual to another, as files are linked. */
function ManualLink({
  href = '',
  children,
}: {
  readonly href?: string;
  readonly children?: ReactNode;
}) {
  const { pathname } = useLocation();
  return <Link to={`${pathname}?help=${href.replace(/\.md$/, '')}`}>{children}</Link>;
}
