import { lazy, type ComponentType } from 'react';

/** A page in a file of its own, which is loaded when it is gone to or, with `ahead`, before. */
function page<K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K) {
  return Object.assign(
    lazy(async () => ({ default: (await load())[name] })),
    { ahead: load },
  );
}

export const BoardLayout = page(() => import('../features/board/BoardLayout'), 'BoardLayout');
export const Wall = page(() => import('../features/wall/Wall'), 'Wall');
export const Week = page(() => import('../features/week/Week'), 'Week');
export const ClientForm = page(() => import('../features/client-form/ClientForm'), 'ClientForm');
export const LibraryPage = page(() => import('../features/library/LibraryPage'), 'LibraryPage');
export const RungPage = page(() => import('../features/library/RungPage'), 'RungPage');
export const ComparePage = page(() => import('../features/library/ComparePage'), 'ComparePage');
export const WordsPage = page(() => import('../features/library/WordsPage'), 'WordsPage');
export const LadderForm = page(() => import('../features/ladder-form/LadderForm'), 'LadderForm');
export const RoadPage = page(() => import('../features/road/RoadPage'), 'RoadPage');
export const WhatIf = page(() => import('../features/what-if/WhatIf'), 'WhatIf');
export const BuilderPage = page(() => import('../features/builder/BuilderPage'), 'BuilderPage');
export const AuditPage = page(() => import('../features/audit/AuditPage'), 'AuditPage');
export const GroupPage = page(() => import('../features/group/GroupPage'), 'GroupPage');
export const DoorPage = page(() => import('../features/door/DoorPage'), 'DoorPage');
export const EvennessPage = page(() => import('../features/evenness/EvennessPage'), 'EvennessPage');
export const ProgressPage = page(() => import('../features/progress/ProgressPage'), 'ProgressPage');
export const FloorPage = page(() => import('../features/floor/FloorPage'), 'FloorPage');
export const LogPage = page(() => import('../features/log/LogPage'), 'LogPage');
export const ScreenPage = page(() => import('../features/screen/ScreenPage'), 'ScreenPage');
export const ProgramPage = page(() => import('../features/program/ProgramPage'), 'ProgramPage');
export const StylesPage = page(() => import('../features/styles/StylesPage'), 'StylesPage');
export const TestsPage = page(() => import('../features/tests/TestsPage'), 'TestsPage');
export const SignIn = page(() => import('../features/entrance/SignIn'), 'SignIn');
export const SetUp = page(() => import('../features/entrance/SetUp'), 'SetUp');
export const Join = page(() => import('../features/entrance/Join'), 'Join');
export const NewPassword = page(() => import('../features/entrance/NewPassword'), 'NewPassword');
export const StudioPage = page(() => import('../features/studio/StudioPage'), 'StudioPage');
export const RecordPage = page(() => import('../features/happened/RecordPage'), 'RecordPage');
export const Account = page(() => import('../features/account/Account'), 'Account');
export const Archive = page(() => import('../features/clients/Archive'), 'Archive');
export const ClientTable = page(() => import('../features/clients/ClientTable'), 'ClientTable');
export const ProgramTable = page(() => import('../features/clients/ProgramTable'), 'ProgramTable');
export const StartPage = page(() => import('../features/path/StartPage'), 'StartPage');
export const TodayPage = page(() => import('../features/today/TodayPage'), 'TodayPage');
export const HelpPage = page(() => import('../features/help/HelpPage'), 'HelpPage');
export const SheetPile = page(() => import('../features/sheet/SheetPile'), 'SheetPile');
export const PhonePage = page(() => import('../features/sheet/PhonePage'), 'PhonePage');
export const BringBack = page(() => import('../features/entrance/BringBack'), 'BringBack');
export const Sheet = page(() => import('../features/sheet/Sheet'), 'Sheet');

/** The pages of a client, by the last part of their address. */
const ofClient = {
  wall: Wall,
  week: Week,
  screen: ScreenPage,
  program: ProgramPage,
  tests: TestsPage,
  door: DoorPage,
  even: EvennessPage,
  progress: ProgressPage,
  log: LogPage,
  build: BuilderPage,
  'what-if': WhatIf,
  road: RoadPage,
  sheet: Sheet,
  record: RecordPage,
} as const;

/** Other pages, by the first part of their address. */
const others = {
  today: TodayPage,
  library: LibraryPage,
  audit: AuditPage,
  floor: FloorPage,
  group: GroupPage,
  build: BuilderPage,
  styles: StylesPage,
  account: Account,
  help: HelpPage,
  studio: StudioPage,
  archive: Archive,
  sheets: SheetPile,
  'sign-in': SignIn,
} as const;

/** Loads the file of a page before it is gone to, where the address is known to have one. */
export function ahead(path: string): void {
  const [first = '', , last = ''] = path.split('/').slice(1);
  if (first === 'clients' && last === 'edit') void ClientForm.ahead();
  else if (first === 'clients' && last in ofClient) {
    void BoardLayout.ahead();
    void ofClient[last as keyof typeof ofClient].ahead();
  } else if (first in others) void others[first as keyof typeof others].ahead();
}
