/** Every address of the house. A room is fetched when it is first entered. */
import { Navigate, useRouteError, type RouteObject } from 'react-router';
import { Door } from '../door/Door.tsx';
import { Shell } from './Shell.tsx';

function Broken() {
  const problem = useRouteError();
  return (
    <div className="wt-note wt-note-stop" role="alert">
      <h1>This room could not be shown</h1>
      <p>What was saved is safe. The other rooms are open as ever.</p>
      <p>{problem instanceof Error ? problem.message : ''}</p>
      <p>
        <button type="button" className="btn btn-outline-primary" onClick={() => window.location.reload()}>
          Load it again
        </button>
      </p>
      <a href="/desk/dogs">Back to the dogs</a>
    </div>
  );
}

const NotHere = () => (
  <div className="wt-note" role="alert">
    <h1>There is nothing at this address</h1>
    <a href="/desk/dogs">Back to the dogs</a>
  </div>
);

export const ROUTES: RouteObject[] = [
  {
    element: (
      <Door>
        <Shell />
      </Door>
    ),
    errorElement: <Broken />,
    hydrateFallbackElement: <p className="wt-waiting">One moment …</p>,
    children: [
      {
        // Each room breaks alone: the head of the house stands, and the next room opens as ever.
        errorElement: <Broken />,
        children: [
          { path: '/', element: <Navigate to="/desk/tide" replace /> },
          { path: '/desk', element: <Navigate to="/desk/tide" replace /> },
          {
            path: '/desk/tide',
            lazy: () => import('../desk/tide/TideRoom.tsx').then(({ TideRoom }) => ({ Component: TideRoom })),
          },
          {
            path: '/desk/tide/honest',
            lazy: () => import('../desk/tide/HonestRoom.tsx').then(({ HonestRoom }) => ({ Component: HonestRoom })),
          },
          {
            path: '/desk/dogs',
            lazy: () => import('../desk/dogs/DogsRoom.tsx').then(({ DogsRoom }) => ({ Component: DogsRoom })),
          },
          {
            path: '/desk/dogs/new',
            lazy: () => import('../desk/dog/DogForm.tsx').then(({ DogForm }) => ({ Component: DogForm })),
          },
          {
            path: '/desk/dogs/:dogId',
            lazy: () => import('../desk/dog/DogRoom.tsx').then(({ DogRoom }) => ({ Component: DogRoom })),
          },
          {
            path: '/desk/dogs/:dogId/edit',
            lazy: () => import('../desk/dog/DogForm.tsx').then(({ DogForm }) => ({ Component: DogForm })),
          },
          {
            path: '/desk/dogs/:dogId/tide',
            lazy: () => import('../desk/tide/DogTideRoom.tsx').then(({ DogTideRoom }) => ({ Component: DogTideRoom })),
          },
          {
            path: '/desk/dogs/:dogId/home',
            lazy: () =>
              import('../desk/home/HomePlanRoom.tsx').then(({ HomePlanRoom }) => ({ Component: HomePlanRoom })),
          },
          {
            path: '/desk/homes',
            lazy: () => import('../desk/home/HomesRoom.tsx').then(({ HomesRoom }) => ({ Component: HomesRoom })),
          },
          {
            path: '/desk/post',
            lazy: () => import('../desk/home/PostRoom.tsx').then(({ PostRoom }) => ({ Component: PostRoom })),
          },
          {
            path: '/desk/dogs/:dogId/check',
            lazy: () => import('../desk/check/CheckRoom.tsx').then(({ CheckRoom }) => ({ Component: CheckRoom })),
          },
          {
            path: '/desk/dogs/:dogId/next',
            lazy: () => import('../desk/next/NextRoom.tsx').then(({ NextRoom }) => ({ Component: NextRoom })),
          },
          {
            path: '/desk/dogs/:dogId/plan/:checkId',
            lazy: () => import('../desk/plan/PlanRoom.tsx').then(({ PlanRoom }) => ({ Component: PlanRoom })),
          },
          {
            path: '/desk/bench',
            lazy: () => import('../desk/bench/BenchRoom.tsx').then(({ BenchRoom }) => ({ Component: BenchRoom })),
          },
          {
            path: '/desk/ahead',
            lazy: () => import('../desk/ahead/AheadRoom.tsx').then(({ AheadRoom }) => ({ Component: AheadRoom })),
          },
          {
            path: '/desk/book',
            lazy: () => import('../desk/book/BookRoom.tsx').then(({ BookRoom }) => ({ Component: BookRoom })),
          },
          {
            path: '/desk/sheet',
            lazy: () =>
              import('../desk/daysheet/DaySheetRoom.tsx').then(({ DaySheetRoom }) => ({ Component: DaySheetRoom })),
          },
          {
            path: '/desk/staff',
            lazy: () => import('../desk/staff/StaffRoom.tsx').then(({ StaffRoom }) => ({ Component: StaffRoom })),
          },
          {
            path: '/desk/tally',
            lazy: () => import('../desk/tally/TallyRoom.tsx').then(({ TallyRoom }) => ({ Component: TallyRoom })),
          },
          {
            path: '/desk/day',
            lazy: () => import('../desk/day/DayRoom.tsx').then(({ DayRoom }) => ({ Component: DayRoom })),
          },
          {
            path: '/desk/dogs/:dogId/note/:checkId',
            lazy: () => import('../desk/note/NoteRoom.tsx').then(({ NoteRoom }) => ({ Component: NoteRoom })),
          },
          {
            path: '/desk/dogs/:dogId/sheet/:checkId',
            lazy: () => import('../desk/sheet/SheetRoom.tsx').then(({ SheetRoom }) => ({ Component: SheetRoom })),
          },
          {
            path: '/desk/kit',
            lazy: () => import('../desk/kit/KitRoom.tsx').then(({ KitRoom }) => ({ Component: KitRoom })),
          },
          {
            path: '/desk/kit/new',
            lazy: () => import('../desk/kit/ToolForm.tsx').then(({ ToolForm }) => ({ Component: ToolForm })),
          },
          {
            path: '/desk/kit/:toolId',
            lazy: () => import('../desk/kit/ToolForm.tsx').then(({ ToolForm }) => ({ Component: ToolForm })),
          },
          {
            path: '/desk/practice',
            lazy: () =>
              import('../desk/practice/PracticeRoom.tsx').then(({ PracticeRoom }) => ({ Component: PracticeRoom })),
          },
          {
            path: '/desk/practice/drills',
            lazy: () => import('../desk/practice/DrillRoom.tsx').then(({ DrillRoom }) => ({ Component: DrillRoom })),
          },
          {
            path: '/desk/practice/:caseId',
            lazy: () => import('../desk/practice/CoatRoom.tsx').then(({ CoatRoom }) => ({ Component: CoatRoom })),
          },
          {
            path: '/desk/rules',
            lazy: () => import('../desk/rules/RulesRoom.tsx').then(({ RulesRoom }) => ({ Component: RulesRoom })),
          },
          {
            path: '/desk/house',
            lazy: () => import('../desk/house/HouseRoom.tsx').then(({ HouseRoom }) => ({ Component: HouseRoom })),
          },
          {
            path: '/desk/you',
            lazy: () => import('../desk/keys/YouRoom.tsx').then(({ YouRoom }) => ({ Component: YouRoom })),
          },
          {
            path: '/desk/keys',
            lazy: () => import('../desk/keys/KeysRoom.tsx').then(({ KeysRoom }) => ({ Component: KeysRoom })),
          },
          {
            path: '/desk/safe',
            lazy: () => import('../desk/safe/SafeRoom.tsx').then(({ SafeRoom }) => ({ Component: SafeRoom })),
          },
          {
            path: '/desk/changes',
            lazy: () => import('../desk/safe/ChangesRoom.tsx').then(({ ChangesRoom }) => ({ Component: ChangesRoom })),
          },
          {
            path: '/desk/intake',
            lazy: () => import('../desk/intake/IntakeRoom.tsx').then(({ IntakeRoom }) => ({ Component: IntakeRoom })),
          },
          {
            path: '/table',
            lazy: () => import('../table/start/TableRoom.tsx').then(({ TableRoom }) => ({ Component: TableRoom })),
          },
          {
            path: '/table/wall',
            lazy: () => import('../table/wall/WallRoom.tsx').then(({ WallRoom }) => ({ Component: WallRoom })),
          },
          {
            path: '/table/devices',
            lazy: () =>
              import('../table/devices/DevicesRoom.tsx').then(({ DevicesRoom }) => ({ Component: DevicesRoom })),
          },
          {
            path: '/table/sessions/:sessionId',
            lazy: () =>
              import('../table/session/SessionRoom.tsx').then(({ SessionRoom }) => ({ Component: SessionRoom })),
          },
          {
            path: '/home',
            lazy: () =>
              import('../home/dogs/HomeDogsRoom.tsx').then(({ HomeDogsRoom }) => ({ Component: HomeDogsRoom })),
          },
          {
            path: '/home/:dogId',
            lazy: () => import('../home/card/CardRoom.tsx').then(({ CardRoom }) => ({ Component: CardRoom })),
          },
          {
            path: '/home/:dogId/visits/:sessionId',
            lazy: () => import('../home/visit/VisitRoom.tsx').then(({ VisitRoom }) => ({ Component: VisitRoom })),
          },
          {
            path: '/desk/start',
            lazy: () => import('../desk/start/StartRoom.tsx').then(({ StartRoom }) => ({ Component: StartRoom })),
          },
          {
            path: '/desk/help',
            lazy: () => import('../help/HelpRoom.tsx').then(({ HelpRoom }) => ({ Component: HelpRoom })),
          },
          { path: '*', element: <NotHere /> },
        ],
      },
    ],
  },
];
