import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { paths } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { PlanWeek } from '../editing/usePlanWeek';

/** Ways out of the plan: on paper, as a table, as calendars. What is published goes out, not the draft. */
export function Out({ week }: { readonly week: PlanWeek }) {
  const { t } = useTranslation();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { house, book, published } = week;
  const files = [
    { href: paths.planCsv(house), label: t('plan.asTable') },
    { href: paths.planCalendar(house), label: t('plan.calendarOfHouse') },
    ...book.people.map(({ id, name }) => ({
      href: paths.planCalendar(house, { person: id }),
      label: t('plan.calendarOf', { name }),
    })),
  ];
  const close = () => setAnchor(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        {t('plan.out')}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <MenuItem component={Link} to={`/${house}/plan/paper`} onClick={close}>
          {t('plan.paper.open')}
        </MenuItem>
        {files.map(({ href, label }) => (
          <MenuItem
            key={href}
            component="a"
            href={href}
            download
            disabled={published.version === 0}
            onClick={close}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
