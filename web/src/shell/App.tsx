import type { Permission } from '@calm/contract';
import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { Waiting } from '../parts/messages/Waiting';
import { needWords } from '../words';
import type { WordArea } from '../words/catalogue';
import { EditingBy } from '../state/api/EditingBy';
import { useHousesQuery } from '../state/api/api';
import { NoHouse } from './sign-in/NoHouse';
import { Gate } from './sign-in/Gate';
import { Shell } from './Shell';
import { NoSuchPage } from './NoSuchPage';

/** A page whose code and words come when somebody goes there. */
function place(load: () => Promise<ComponentType>, ...words: readonly WordArea[]): ComponentType {
  return lazy(async () => {
    const [component] = await Promise.all([load(), needWords(...words)]);
    return { default: component };
  });
}

const Tonight = place(async () => (await import('../places/tonight/Tonight')).Tonight, 'tonight');
const Demand = place(
  async () => (await import('../places/demand/week/Demand')).Demand,
  'demand',
  'engine',
);
const Shopping = place(
  async () => (await import('../places/demand/shopping/Shopping')).Shopping,
  'demand',
  'engine',
);
const Services = place(
  async () => (await import('../places/demand/services/Services')).Services,
  'demand',
  'engine',
);
const History = place(
  async () => (await import('../places/demand/history/History')).History,
  'demand',
  'engine',
);
const Formulas = place(
  async () => (await import('../places/formulas/list/Formulas')).Formulas,
  'formulas',
  'mix',
  'engine',
);
const FormulaPage = place(
  async () => (await import('../places/formulas/formula/FormulaPage')).FormulaPage,
  'formulas',
  'mix',
  'engine',
);
const RoutesPage = place(
  async () => (await import('../places/formulas/routes/Routes')).Routes,
  'formulas',
  'mix',
  'engine',
);
const RoutePage = place(
  async () => (await import('../places/formulas/routes/RoutePage')).RoutePage,
  'formulas',
  'mix',
  'engine',
);
const Pantry = place(
  async () => (await import('../places/formulas/pantry/Pantry')).Pantry,
  'formulas',
  'mix',
  'engine',
);
const WhatIf = place(
  async () => (await import('../places/formulas/what-if/WhatIf')).WhatIf,
  'formulas',
  'mix',
  'engine',
);
const Plan = place(async () => (await import('../places/plan/Plan')).Plan, 'plan', 'engine');
const DayPaper = place(
  async () => (await import('../places/plan/paper/DayPaper')).DayPaper,
  'plan',
  'engine',
);
const Mix = place(async () => (await import('../places/mix/Mix')).Mix, 'mix', 'engine', 'tonight');
const BatchSheet = place(
  async () => (await import('../places/mix/sheet/BatchSheet')).BatchSheet,
  'mix',
  'engine',
  'tonight',
);
const WeighOff = place(
  async () => (await import('../places/mix/bench/WeighOff')).WeighOff,
  'mix',
  'engine',
  'tonight',
);
const DivideAndBall = place(
  async () => (await import('../places/mix/bench/DivideAndBall')).DivideAndBall,
  'mix',
  'engine',
  'tonight',
);
const Paper = place(
  async () => (await import('../places/mix/paper/Paper')).Paper,
  'mix',
  'engine',
  'tonight',
);
const WalkIn = place(async () => (await import('../places/walk-in/racks/WalkIn')).WalkIn, 'walkIn');
const AlarmPage = place(
  async () => (await import('../places/walk-in/alarms/AlarmPage')).AlarmPage,
  'walkIn',
);
const AirPage = place(
  async () => (await import('../places/walk-in/air/AirPage')).AirPage,
  'walkIn',
);
const LoadIn = place(
  async () => (await import('../places/walk-in/load-in/LoadIn')).LoadIn,
  'walkIn',
);
const ColdWhatIf = place(
  async () => (await import('../places/walk-in/what-if/ColdWhatIf')).ColdWhatIf,
  'walkIn',
);
const ColdRecord = place(
  async () => (await import('../places/walk-in/record/ColdRecord')).ColdRecord,
  'walkIn',
);
const Places = place(async () => (await import('../places/walk-in/setup/Places')).Places, 'walkIn');
const Crew = place(async () => (await import('../places/crew/rota/Crew')).Crew, 'crew', 'tonight');
const MyShift = place(
  async () => (await import('../places/crew/shift/MyShift')).MyShift,
  'crew',
  'tonight',
);
const HandoverPage = place(
  async () => (await import('../places/crew/handover/HandoverPage')).HandoverPage,
  'crew',
  'tonight',
);
const LotPage = place(
  async () => (await import('../places/log/LotPage')).LotPage,
  'log',
  'mix',
  'tonight',
);
const Log = place(async () => (await import('../places/log/Log')).Log, 'log', 'mix', 'tonight');
const House = place(async () => (await import('../places/house/House')).House, 'house');

/** A page whose fields can be changed by whoever has a permission, and read by everybody. */
const editing = (permission: Permission, page: ReactNode) => (
  <EditingBy permission={permission}>{page}</EditingBy>
);

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
          <Route path="tonight" element={<Tonight />} />
          <Route path="demand" element={editing('plan', <Demand />)} />
          <Route path="demand/shopping" element={<Shopping />} />
          <Route path="demand/services" element={editing('plan', <Services />)} />
          <Route path="demand/history" element={<History />} />
          <Route path="formulas" element={editing('book', <Formulas />)} />
          <Route path="formulas/routes" element={editing('book', <RoutesPage />)} />
          <Route path="formulas/routes/:route" element={editing('book', <RoutePage />)} />
          <Route path="formulas/pantry" element={editing('book', <Pantry />)} />
          <Route path="formulas/:formula/:part?" element={editing('book', <FormulaPage />)} />
          <Route path="formulas/:product/what-if" element={<WhatIf />} />
          <Route path="plan" element={<Plan />} />
          <Route path="plan/paper" element={<DayPaper />} />
          <Route path="mix" element={<Mix />} />
          <Route path="mix/:date/:product" element={<BatchSheet />} />
          <Route path="mix/:date/:product/weigh" element={<WeighOff />} />
          <Route path="mix/:date/:product/ball" element={<DivideAndBall />} />
          <Route path="mix/:date/:product/paper" element={<Paper />} />
          <Route path="walk-in" element={<WalkIn />} />
          <Route path="walk-in/alarms/:alarm" element={<AlarmPage />} />
          <Route path="walk-in/air" element={<AirPage />} />
          <Route path="walk-in/load-in" element={<LoadIn />} />
          <Route path="walk-in/what-if" element={<ColdWhatIf />} />
          <Route path="walk-in/record" element={<ColdRecord />} />
          <Route path="walk-in/places" element={<Places />} />
          <Route path="crew" element={<Crew />} />
          <Route path="crew/handover" element={<HandoverPage />} />
          <Route path="crew/shift" element={<MyShift />} />
          <Route path="log" element={<Log />} />
          <Route path="log/:lot" element={<LotPage />} />
          <Route path="house" element={<House />} />
          <Route path="*" element={<NoSuchPage />} />
        </Route>
      </Routes>
    </Suspense>
  );
}

/** The bare address leads to the first house. */
function FirstHouse() {
  const { data, isError, refetch } = useHousesQuery();
  const [first] = data ?? [];
  if (first) return <Navigate to={`/${first.slug}/tonight`} replace />;
  if (isError || data)
    return <NoHouse isEmpty={data !== undefined} onRetry={() => void refetch()} />;
  return <Waiting />;
}
