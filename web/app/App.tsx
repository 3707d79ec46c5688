import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { ApiError } from '../api/client';
import { Clients } from '../features/clients/Clients';
import { BoardLayout } from '../features/board/BoardLayout';
import { SignIn } from '../features/entrance/SignIn';
import { Wall } from '../features/wall/Wall';
import { Week } from '../features/week/Week';
import { Notice, Waiting } from '../ui/Notice';
import { Shell } from './Shell';
import { useMay, useMe } from '../lib/session';

const ClientForm = lazy(async () => ({ default: (await import('../features/client-form/ClientForm')).ClientForm }));
const LibraryPage = lazy(async () => ({ default: (await import('../features/library/LibraryPage')).LibraryPage }));
const RungPage = lazy(async () => ({ default: (await import('../features/library/RungPage')).RungPage }));
const ComparePage = lazy(async () => ({ default: (await import('../features/library/ComparePage')).ComparePage }));
const WordsPage = lazy(async () => ({ default: (await import('../features/library/WordsPage')).WordsPage }));
const LadderForm = lazy(async () => ({ default: (await import('../features/ladder-form/LadderForm')).LadderForm }));
const RoadPage = lazy(async () => ({ default: (await import('../features/road/RoadPage')).RoadPage }));
const WhatIf = lazy(async () => ({ default: (await import('../features/what-if/WhatIf')).WhatIf }));
const BuilderPage = lazy(async () => ({ default: (await import('../features/builder/BuilderPage')).BuilderPage }));
const AuditPage = lazy(async () => ({ default: (await import('../features/audit/AuditPage')).AuditPage }));
const GroupPage = lazy(async () => ({ default: (await import('../features/group/GroupPage')).GroupPage }));
const DoorPage = lazy(async () => ({ default: (await import('../features/door/DoorPage')).DoorPage }));
const EvennessPage = lazy(async () => ({ default: (await import('../features/evenness/EvennessPage')).EvennessPage }));
const ProgressPage = lazy(async () => ({ default: (await import('../features/progress/ProgressPage')).ProgressPage }));
const FloorPage = lazy(async () => ({ default: (await import('../features/floor/FloorPage')).FloorPage }));
const LogPage = lazy(async () => ({ default: (await import('../features/log/LogPage')).LogPage }));
const ScreenPage = lazy(async () => ({ default: (await import('../features/screen/ScreenPage')).ScreenPage }));
const ProgramPage = lazy(async () => ({ default: (await import('../features/program/ProgramPage')).ProgramPage }));
const StylesPage = lazy(async () => ({ default: (await import('../features/styles/StylesPage')).StylesPage }));
const TestsPage = lazy(async () => ({ default: (await import('../features/tests/TestsPage')).TestsPage }));
const SetUp = lazy(async () => ({ default: (await import('../features/entrance/SetUp')).SetUp }));
const Join = lazy(async () => ({ default: (await import('../features/entrance/Join')).Join }));
const NewPassword = lazy(async () => ({ default: (await import('../features/entrance/NewPassword')).NewPassword }));
const StudioPage = lazy(async () => ({ default: (await import('../features/studio/StudioPage')).StudioPage }));
const RecordPage = lazy(async () => ({ default: (await import('../features/happened/RecordPage')).RecordPage }));
const Account = lazy(async () => ({ default: (await import('../features/account/Account')).Account }));
const Archive = lazy(async () => ({ default: (await import('../features/clients/Archive')).Archive }));
const ClientTable = lazy(async () => ({ default: (await import('../features/clients/ClientTable')).ClientTable }));
const ProgramTable = lazy(async () => ({ default: (await import('../features/clients/ProgramTable')).ProgramTable }));
const StartPage = lazy(async () => ({ default: (await import('../features/path/StartPage')).StartPage }));
const TodayPage = lazy(async () => ({ default: (await import('../features/today/TodayPage')).TodayPage }));
const HelpPage = lazy(async () => ({ default: (await import('../features/help/HelpPage')).HelpPage }));
const SheetPile = lazy(async () => ({ default: (await import('../features/sheet/SheetPile')).SheetPile }));
const PhonePage = lazy(async () => ({ default: (await import('../features/sheet/PhonePage')).PhonePage }));
const BringBack = lazy(async () => ({ default: (await import('../features/entrance/BringBack')).BringBack }));
const Sheet = lazy(async () => ({ default: (await import('../features/sheet/Sheet')).Sheet }));

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
