import { Suspense } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { ApiError } from '../api/client';
import { Clients } from '../features/clients/Clients';
import { Notice, Waiting } from '../ui/Notice';
import {
  Account,
  Archive,
  AuditPage,
  BoardLayout,
  BringBack,
  BuilderPage,
  ClientForm,
  ClientTable,
  ComparePage,
  DoorPage,
  EvennessPage,
  FloorPage,
  GroupPage,
  HelpPage,
  Join,
  LadderForm,
  LibraryPage,
  LogPage,
  NewPassword,
  PhonePage,
  ProgramPage,
  ProgramTable,
  ProgressPage,
  RecordPage,
  RoadPage,
  RungPage,
  ScreenPage,
  SetUp,
  Sheet,
  SheetPile,
  SignIn,
  StartPage,
  StudioPage,
  StylesPage,
  TestsPage,
  TodayPage,
  Wall,
  Week,
  WhatIf,
  WordsPage,
} from './pieces';
import { Shell } from './Shell';
import { useMay, useMe } from '../lib/session';

export function App() {
  return (
    <Suspense fallback={<Waiting what="the page" />}>
      <Routes>
        <Route path="/sign-in" element={<SignIn />} />
        <Route path="/set-up/:token" element={<SetUp />} />
        <Route path="/join/:token" element={<Join />} />
        <Route path="/new-password/:token" element={<NewPassword />} />
        <Route path="/bring-back" element={<BringBack />} />
        <Route path="*" element={<SignedIn />} />
      </Routes>
    </Suspense>
  );
}

function SignedIn() {
  const me = useMe();
  const isTrainer = useMay('trainer');
  const location = useLocation();
  if (me.isPending) return <Waiting what="the studio" />;
  if (me.isError) {
    if (me.error instanceof ApiError && me.error.problem.status === 401) {
      return <Navigate to="/sign-in" state={{ from: location.pathname + location.search }} replace />;
    }
    return <Notice title={me.error.message} />;
  }
  if (!isTrainer) return <Reader />;
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<Navigate to="/clients" replace />} />
        <Route path="today" element={<TodayPage />} />
        <Route path="clients" element={<Clients />} />
        <Route path="clients/new" element={<ClientForm />} />
        <Route path="clients/table" element={<ClientTable />} />
        <Route path="clients/programs" element={<ProgramTable />} />
        <Route path="clients/:client/start" element={<StartPage />} />
        <Route path="clients/:client/edit" element={<ClientForm />} />
        <Route path="archive" element={<Archive />} />
        <Route path="sheets" element={<SheetPile />} />
        <Route path="library" element={<LibraryPage />} />
        <Route path="library/words" element={<WordsPage />} />
        <Route path="library/compare/:one/:other" element={<ComparePage />} />
        <Route path="library/ladders/:ladder" element={<LadderForm />} />
        <Route path="library/:rung" element={<RungPage />} />
        <Route path="audit" element={<AuditPage />} />
        <Route path="floor" element={<FloorPage />} />
        <Route path="group" element={<GroupPage />} />
        <Route path="build" element={<BuilderPage />} />
        <Route path="styles" element={<StylesPage />} />
        <Route path="account" element={<Account />} />
        <Route path="help" element={<HelpPage />} />
        <Route path="studio" element={<StudioPage />} />
        <Route path="clients/:client" element={<BoardLayout />}>
          <Route index element={<Navigate to="wall" replace />} />
          <Route path="wall" element={<Wall />} />
          <Route path="screen" element={<ScreenPage />} />
          <Route path="program" element={<ProgramPage />} />
          <Route path="week" element={<Week />} />
          <Route path="tests" element={<TestsPage />} />
          <Route path="door" element={<DoorPage />} />
          <Route path="even" element={<EvennessPage />} />
          <Route path="progress" element={<ProgressPage />} />
          <Route path="log" element={<LogPage />} />
          <Route path="build" element={<BuilderPage />} />
          <Route path="what-if" element={<WhatIf />} />
          <Route path="road" element={<RoadPage />} />
          <Route path="road/:rung" element={<RoadPage />} />
          <Route path="sheet" element={<Sheet />} />
          <Route path="sheet/phone" element={<PhonePage />} />
          <Route path="record" element={<RecordPage />} />
        </Route>
        <Route
          path="*"
          element={<p className="p-6">There is no such page. Go back to the clients with the link above.</p>}
        />
      </Route>
    </Routes>
  );
}

/** The pages of a reader: what is shared with them, and where they record a clearance. */
function Reader() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route path="account" element={<Account />} />
        <Route path="help" element={<HelpPage />} />
        <Route path="clients" element={<Clients />} />
        <Route path="clients/:client" element={<BoardLayout />}>
          <Route path="screen" element={<ScreenPage />} />
          <Route path="even" element={<EvennessPage />} />
          <Route path="progress" element={<ProgressPage />} />
          <Route path="sheet" element={<Sheet />} />
          <Route path="record" element={<RecordPage />} />
          <Route path="*" element={<Navigate to="../screen" relative="path" replace />} />
          <Route index element={<Navigate to="screen" replace />} />
        </Route>
        <Route path="*" element={<Navigate to="/clients" replace />} />
      </Route>
    </Routes>
  );
}
