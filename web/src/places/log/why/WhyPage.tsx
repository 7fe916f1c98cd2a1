import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Page } from '../../../parts/layout/Page';
import { useHouse } from '../../../state/board/useBoard';
import { WhyDidIt } from './WhyDidIt';

const NONE = [] as const;

/** A guide from a fault to what may be behind it, without a lot. */
export function WhyPage() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <Page
      title={t('causes.open')}
      lead={t('causes.guide')}
      aside={
        <Button variant="outlined" component={Link} to={`/${house}/log`}>
          {t('log.all')}
        </Button>
      }
    >
      <WhyDidIt lot={null} lastGood={NONE} found={NONE} />
    </Page>
  );
}
