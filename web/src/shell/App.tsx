import { lazy, Suspense, type ComponentType } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { Tonight } from '../places/tonight/Tonight';
import { Waiting } from '../parts/messages/Waiting';
import { useHousesQuery } from '../state/api/api';
import { NoHouse } from './sign-in/NoHouse';
import { Gate } from './sign-in/Gate';
import { Shell } from './Shell';
import { NoSuchPage } from './NoSuchPage';

/** A place whose code comes when somebody goes there. */
function place(load: () => Promise<ComponentType>): ComponentType {
  return lazy(async () => ({ default: await load() }));
}

const Demand = place(async () => (await import('../places/demand/week/Demand')).Demand);
const Shopping = place(async () => (await import('../places/demand/shopping/Shopping')).Shopping);
const Services = place(async () => (await import('../places/demand/services/Services')).Services);
const History = place(async () => (await import('../places/demand/history/History')).History);
const Formulas = place(async () => (await import('../places/formulas/list/Formulas')).Formulas);
const FormulaPage = place(
  async () => (await import('../places/formulas/formula/FormulaPage')).FormulaPage,
);
const RoutesPage = place(async () => (await import('../places/formulas/routes/Routes')).Routes);
const RoutePage = place(
  async () => (await import('../places/formulas/routes/RoutePage')).RoutePage,
);
const Pantry = place(async () => (await import('../places/formulas/pantry/Pantry')).Pantry);
const WhatIf = place(async () => (await import('../places/formulas/what-if/WhatIf')).WhatIf);
const Plan = place(async () => (await import('../places/plan/Plan')).Plan);
const DayPaper = place(async () => (await import('../places/plan/paper/DayPaper')).DayPaper);
const Mix = place(async () => (await import('../places/mix/Mix')).Mix);
const BatchSheet = place(async () => (await import('../places/mix/sheet/BatchSheet')).BatchSheet);
const WeighOff = place(async () => (await import('../places/mix/bench/WeighOff')).WeighOff);
const DivideAndBall = place(
  async () => (await import('../places/mix/bench/DivideAndBall')).DivideAndBall,
);
const Paper = place(async () => (await import('../places/mix/paper/Paper')).Paper);
const WalkIn = place(async () => (await import('../places/walk-in/racks/WalkIn')).WalkIn);
const AlarmPage = place(async () => (await import('../places/walk-in/alarms/AlarmPage')).AlarmPage);
const AirPage = place(async () => (await import('../places/walk-in/air/AirPage')).AirPage);
const LoadIn = place(async () => (await import('../places/walk-in/load-in/LoadIn')).LoadIn);
const ColdWhatIf = place(
  async () => (await import('../places/walk-in/what-if/ColdWhatIf')).ColdWhatIf,
);
const ColdRecord = place(
  async () => (await import('../places/walk-in/record/ColdRecord')).ColdRecord,
);
const Places = place(async () => (await import('../places/walk-in/setup/Places')).Places);
const Crew = place(async () => (await import('../places/crew/rota/Crew')).Crew);
const MyShift = place(async () => (await import('../places/crew/shift/MyShift')).MyShift);
const HandoverPage = place(
  async () => (await import('../places/crew/handover/HandoverPage')).HandoverPage,
);
const LotPage = place(async () => (await import('../places/log/LotPage')).LotPage);
const Log = place(async () => (await import('../places/log/Log')).Log);
const House = place(async () => (await import('../places/house/House')).House);

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
          <Route path="demand" element={<Demand />} />
          <Route path="demand/shopping" element={<Shopping />} />
          <Route path="demand/services" element={<Services />} />
          <Route path="demand/history" element={<History />} />
          <Route path="formulas" element={<Formulas />} />
          <Route path="formulas/routes" element={<RoutesPage />} />
          <Route path="formulas/routes/:route" element={<RoutePage />} />
          <Route path="formulas/pantry" element={<Pantry />} />
          <Route path="formulas/:formula/:part?" element={<FormulaPage />} />
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
