import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import type { HouseBook, RouteRecord } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { Link } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { RetiredList } from '../../../parts/retired/RetiredList';
import { useRetirement } from '../../../state/api/useRetirement';
import { useBookQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import { BookNav } from '../BookNav';
import styles from '../list/Formulas.module.css';
import { useLibrary } from '../files/library';
import { useRouteMessage } from '../what-if/useDoughMessages';

/** Every route of the house, and new ones from the ways of the trade. */
export function Routes() {
  const { t } = useTranslation();
  const house = useHouse();
  const { data: book, error, refetch } = useBookQuery(house);
  const retirement = useRetirement('routes');
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
  const routes = [...book.routes].sort((a, b) => a.name.localeCompare(b.name));
  return (
    <Page
      title={t('formulas.routes.title')}
      lead={t('formulas.routes.lead')}
      aside={<NewRoute house={house} />}
    >
      <BookNav />
      {routes.length === 0 && <p className="quiet">{t('formulas.routes.none')}</p>}
      <ul className={styles['formulas']}>
        {routes.map((route) => (
          <RouteRow key={route.id} house={house} book={book} route={route} />
        ))}
      </ul>
      <RetiredList
        title={t('retired.routes', { count: book.retired.routes.length })}
        records={book.retired.routes}
        retirement={retirement}
      />
    </Page>
  );
}

function RouteRow({
  house,
  book,
  route,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly route: RouteRecord;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const formatRouteMessage = useRouteMessage();
  const users = book.products.filter(({ routeId }) => routeId === route.id);
  return (
    <li className={styles['formula']}>
      <div>
        <h2>
          <Link to={`/${house}/formulas/routes/${route.id}`}>{route.name}</Link>
        </h2>
        <p className="quiet">{formatRouteMessage(route.stages)}</p>
      </div>
      <div className={styles['products']}>
        {users.length > 0 ? f.list(users.map(({ name }) => name)) : t('formulas.routes.unused')}
      </div>
    </li>
  );
}

/** A new route: one of the known ways, to be changed and saved. */
function NewRoute({ house }: { readonly house: string }) {
  const { t } = useTranslation();
  const library = useLibrary();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <EditOnly>
        <Button variant="contained" onClick={(event) => setAnchor(event.currentTarget)}>
          {t('formulas.routes.new')}
        </Button>
      </EditOnly>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {(library?.routes ?? []).map(({ name }) => (
          <MenuItem
            key={name}
            component={Link}
            to={`/${house}/formulas/routes/new?way=${encodeURIComponent(name)}`}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
