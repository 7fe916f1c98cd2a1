import { useTranslation } from 'react-i18next';
import { Page } from '../../../parts/layout/Page';
import { LogNav } from '../LogNav';
import { WhyDidIt } from './WhyDidIt';

const NONE = [] as const;

/** A guide from a fault to what may be behind it, without a lot. */
export function WhyPage() {
  const { t } = useTranslation();
  return (
    <Page title={t('causes.open')} lead={t('causes.guide')}>
      <LogNav />
      <WhyDidIt lot={null} lastGood={NONE} found={NONE} />
    </Page>
  );
}
