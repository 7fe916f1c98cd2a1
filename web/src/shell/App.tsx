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

/** The pages of one place: their code and words come when somebody goes there. */
const place =
  (...words: readonly WordArea[]) =>
  (load: () => Promise<ComponentType>): ComponentType =>
    lazy(async () => {
      const [component] = await Promise.all([load(), needWords(...words)]);
      return { default: component };
    });

const inTonight = place('tonight');
const inDemand = place('demand', 'engine');
const inFormulas = place('formulas', 'mix', 'engine');
const inPlan = place('plan', 'engine');
const inMix = place('mix', 'engine', 'tonight');
const inWalkIn = place('walkIn');
const inCrew = place('crew', 'tonight');
const inLog = place('log', 'mix', 'tonight');
const inHouse = place('house');

const Tonight = inTonight(async () => (await import('../places/tonight/Tonight')).Tonight);
const Demand = inDemand(async () => (await import('../places/demand/week/Demand')).Demand);
const Shopping = inDemand(
  async () => (await import('../places/demand/shopping/Shopping')).Shopping,
);
const Services = inDemand(
  async () => (await import('../places/demand/services/Services')).Services,
);
const History = inDemand(async () => (await import('../places/demand/history/History')).History);
const Formulas = inFormulas(
  async () => (await import('../places/formulas/list/Formulas')).Formulas,
);
const FormulaPage = inFormulas(
  async () => (await import('../places/formulas/formula/FormulaPage')).FormulaPage,
);
const RoutesPage = inFormulas(
  async () => (await import('../places/formulas/routes/Routes')).Routes,
);
const RoutePage = inFormulas(
  async () => (await import('../places/formulas/routes/RoutePage')).RoutePage,
);
const Pantry = inFormulas(async () => (await import('../places/formulas/pantry/Pantry')).Pantry);
const WhatIf = inFormulas(async () => (await import('../places/formulas/what-if/WhatIf')).WhatIf);
const Plan = inPlan(async () => (await import('../places/plan/Plan')).Plan);
const DayPaper = inPlan(async () => (await import('../places/plan/paper/DayPaper')).DayPaper);
const Mix = inMix(async () => (await import('../places/mix/Mix')).Mix);
const BatchSheet = inMix(async () => (await import('../places/mix/sheet/BatchSheet')).BatchSheet);
const WeighOff = inMix(async () => (await import('../places/mix/bench/WeighOff')).WeighOff);
const DivideAndBall = inMix(
  async () => (await import('../places/mix/bench/DivideAndBall')).DivideAndBall,
);
const Paper = inMix(async () => (await import('../places/mix/paper/Paper')).Paper);
const WalkIn = inWalkIn(async () => (await import('../places/walk-in/racks/WalkIn')).WalkIn);
const AlarmPage = inWalkIn(
  async () => (await import('../places/walk-in/alarms/AlarmPage')).AlarmPage,
);
const AirPage = inWalkIn(async () => (await import('../places/walk-in/air/AirPage')).AirPage);
const LoadIn = inWalkIn(async () => (await import('../places/walk-in/load-in/LoadIn')).LoadIn);
const ColdWhatIf = inWalkIn(
  async () => (await import('../places/walk-in/what-if/ColdWhatIf')).ColdWhatIf,
);
const ColdRecord = inWalkIn(
  async () => (await import('../places/walk-in/record/ColdRecord')).ColdRecord,
);
const Places = inWalkIn(async () => (await import('../places/walk-in/setup/Places')).Places);
const Crew = inCrew(async () => (await import('../places/crew/rota/Crew')).Crew);
const MyShift = inCrew(async () => (await import('../places/crew/shift/MyShift')).MyShift);
const HandoverPage = inCrew(
  async () => (await import('../places/crew/handover/HandoverPage')).HandoverPage,
);
const LotPage = inLog(async () => (await import('../places/log/LotPage')).LotPage);
const Log = inLog(async () => (await import('../places/log/Log')).Log);
const House = inHouse(async () => (await import('../places/house/House')).House);

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
