import { lazy, Suspense, type ComponentType } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { Waiting } from '../parts/messages/Waiting';
import { needWords } from '../words';
import { EditingBy } from '../state/live/EditingBy';
import { useHousesQuery } from '../state/api/api';
import { likelyHouse } from '../state/lastHouse';
import { NoHouse } from './sign-in/NoHouse';
import { Gate } from './sign-in/Gate';
import { PAGES, type PageComponent, type PageInfo } from './pages';
import { Shell } from './Shell';
import { NoSuchPage } from './NoSuchPage';

/** Where the code of each page is: it comes when somebody goes there. */
const LOADERS: Readonly<Record<PageComponent, () => Promise<ComponentType>>> = {
  Tonight: async () => (await import('../places/tonight/Tonight')).Tonight,
  Demand: async () => (await import('../places/demand/week/Demand')).Demand,
  Shopping: async () => (await import('../places/demand/shopping/Shopping')).Shopping,
  Services: async () => (await import('../places/demand/services/Services')).Services,
  History: async () => (await import('../places/demand/history/History')).History,
  Formulas: async () => (await import('../places/formulas/list/Formulas')).Formulas,
  FormulaPage: async () => (await import('../places/formulas/formula/FormulaPage')).FormulaPage,
  Routes: async () => (await import('../places/formulas/routes/Routes')).Routes,
  RoutePage: async () => (await import('../places/formulas/routes/RoutePage')).RoutePage,
  Pantry: async () => (await import('../places/formulas/pantry/Pantry')).Pantry,
  WhatIf: async () => (await import('../places/formulas/what-if/WhatIf')).WhatIf,
  Plan: async () => (await import('../places/plan/Plan')).Plan,
  DayPaper: async () => (await import('../places/plan/paper/DayPaper')).DayPaper,
  WhatNow: async () => (await import('../places/tonight/what-now/WhatNow')).WhatNow,
  WhatHappened: async () => (await import('../places/tonight/what-now/WhatHappened')).WhatHappened,
  FlourShort: async () => (await import('../places/tonight/missing/FlourShort')).FlourShort,
  CoarseScale: async () => (await import('../places/tonight/missing/CoarseScale')).CoarseScale,
  OvenDown: async () => (await import('../places/tonight/missing/OvenDown')).OvenDown,
  Guests: async () => (await import('../places/tonight/guests/Guests')).Guests,
  Mix: async () => (await import('../places/mix/Mix')).Mix,
  BatchSheet: async () => (await import('../places/mix/sheet/BatchSheet')).BatchSheet,
  Ahead: async () => (await import('../places/mix/ahead/Ahead')).Ahead,
  WeighOff: async () => (await import('../places/mix/bench/WeighOff')).WeighOff,
  DivideAndBall: async () => (await import('../places/mix/bench/DivideAndBall')).DivideAndBall,
  Paper: async () => (await import('../places/mix/paper/Paper')).Paper,
  WalkIn: async () => (await import('../places/walk-in/racks/WalkIn')).WalkIn,
  AlarmPage: async () => (await import('../places/walk-in/alarms/AlarmPage')).AlarmPage,
  AirPage: async () => (await import('../places/walk-in/air/AirPage')).AirPage,
  LoadIn: async () => (await import('../places/walk-in/load-in/LoadIn')).LoadIn,
  ColdWhatIf: async () => (await import('../places/walk-in/what-if/ColdWhatIf')).ColdWhatIf,
  ColdRecord: async () => (await import('../places/walk-in/record/ColdRecord')).ColdRecord,
  Places: async () => (await import('../places/walk-in/setup/Places')).Places,
  Crew: async () => (await import('../places/crew/rota/Crew')).Crew,
  MyShift: async () => (await import('../places/crew/shift/MyShift')).MyShift,
  HandoverPage: async () => (await import('../places/crew/handover/HandoverPage')).HandoverPage,
  RehearsalPage: async () => (await import('../places/plan/rehearse/RehearsalPage')).RehearsalPage,
  Practice: async () => (await import('../places/crew/practice/Practice')).Practice,
  DrillPage: async () => (await import('../places/crew/practice/drills/DrillPage')).DrillPage,
  Evenings: async () => (await import('../places/crew/practice/evening/Evenings')).Evenings,
  EveningPage: async () =>
    (await import('../places/crew/practice/evening/EveningPage')).EveningPage,
  WeekPage: async () => (await import('../places/crew/practice/week/WeekPage')).WeekPage,
  Reading: async () => (await import('../places/crew/practice/reading/Reading')).Reading,
  Trials: async () => (await import('../places/log/trials/Trials')).Trials,
  Steady: async () => (await import('../places/log/steady/Steady')).Steady,
  WhyPage: async () => (await import('../places/log/why/WhyPage')).WhyPage,
  LotPage: async () => (await import('../places/log/LotPage')).LotPage,
  Log: async () => (await import('../places/log/Log')).Log,
  Learned: async () => (await import('../places/house/learned/Learned')).Learned,
  House: async () => (await import('../places/house/House')).House,
};

/** Where a server has no house yet. */
const BeginHouse = lazy(async () => {
  const [{ FirstHouse: Begin }] = await Promise.all([
    import('./sign-in/FirstHouse'),
    needWords('house'),
  ]);
  return { default: Begin };
});

/** Pages with their code and words, which come together. */
const pages = PAGES.map((page: PageInfo & { component: PageComponent }) => {
  const { component, words, path, editing } = page;
  const Page = lazy(async () => {
    const [loaded] = await Promise.all([LOADERS[component](), needWords(...words)]);
    return { default: loaded };
  });
  return {
    path,
    element: editing ? (
      <EditingBy permission={editing}>
        <Page />
      </EditingBy>
    ) : (
      <Page />
    ),
  };
});

/** Every address of the application. */
export function App() {
  return (
    <Suspense fallback={<Waiting />}>
      <Routes>
        <Route path="/" element={<FirstHouse />} />
        <Route
          path="/:house"
          element={
            <Gate>
              <Shell />
            </Gate>
          }
        >
          <Route index element={<Navigate to="tonight" replace />} />
          {pages.map(({ path, element }) => (
            <Route key={path} path={path} element={element} />
          ))}
          <Route path="*" element={<NoSuchPage />} />
        </Route>
      </Routes>
    </Suspense>
  );
}

/** The bare address leads to the house that was opened last on this device. */
function FirstHouse() {
  const { data, isError, refetch } = useHousesQuery();
  const house = likelyHouse(data ?? []);
  if (house) return <Navigate to={`/${house.slug}/tonight`} replace />;
  if (data) return <BeginHouse />;
  if (isError) return <NoHouse onRetry={() => void refetch()} />;
  return <Waiting />;
}
