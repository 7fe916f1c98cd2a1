import QuestionMark from '@mui/icons-material/QuestionMark';
import IconButton from '@mui/material/IconButton';
import { createContext, useContext } from 'react';
import { useTranslation } from 'react-i18next';

/** Opens the manual at the page that is open; null where there is no manual. */
export const HelpContext = createContext<(() => void) | null>(null);

/** Leads from a page to its page of the manual. */
export function HelpButton() {
  const { t } = useTranslation();
  const askForHelp = useContext(HelpContext);
  if (!askForHelp) return null;
  return (
    <IconButton
      className="no-print"
      title={t('help.title')}
      aria-label={t('help.title')}
      onClick={askForHelp}
    >
      <QuestionMark />
    </IconButton>
  );
}
