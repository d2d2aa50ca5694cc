/** Every address of the house. */
import { createBrowserRouter, Navigate, useRouteError } from 'react-router';
import { AheadRoom } from '../desk/ahead/AheadRoom.tsx';
import { BenchRoom } from '../desk/bench/BenchRoom.tsx';
import { BookRoom } from '../desk/book/BookRoom.tsx';
import { CheckRoom } from '../desk/check/CheckRoom.tsx';
import { DaySheetRoom } from '../desk/daysheet/DaySheetRoom.tsx';
import { DayRoom } from '../desk/day/DayRoom.tsx';
import { DogForm } from '../desk/dog/DogForm.tsx';
import { DogRoom } from '../desk/dog/DogRoom.tsx';
import { DogsRoom } from '../desk/dogs/DogsRoom.tsx';
import { HomePlanRoom } from '../desk/home/HomePlanRoom.tsx';
import { HomesRoom } from '../desk/home/HomesRoom.tsx';
import { PostRoom } from '../desk/home/PostRoom.tsx';
import { HouseRoom } from '../desk/house/HouseRoom.tsx';
import { IntakeRoom } from '../desk/intake/IntakeRoom.tsx';
import { KeysRoom } from '../desk/keys/KeysRoom.tsx';
import { YouRoom } from '../desk/keys/YouRoom.tsx';
import { ChangesRoom } from '../desk/safe/ChangesRoom.tsx';
import { SafeRoom } from '../desk/safe/SafeRoom.tsx';
import { KitRoom } from '../desk/kit/KitRoom.tsx';
import { ToolForm } from '../desk/kit/ToolForm.tsx';
import { NextRoom } from '../desk/next/NextRoom.tsx';
import { NoteRoom } from '../desk/note/NoteRoom.tsx';
import { PlanRoom } from '../desk/plan/PlanRoom.tsx';
import { RulesRoom } from '../desk/rules/RulesRoom.tsx';
import { SheetRoom } from '../desk/sheet/SheetRoom.tsx';
import { StaffRoom } from '../desk/staff/StaffRoom.tsx';
import { TallyRoom } from '../desk/tally/TallyRoom.tsx';
import { DogTideRoom } from '../desk/tide/DogTideRoom.tsx';
import { HonestRoom } from '../desk/tide/HonestRoom.tsx';
import { TideRoom } from '../desk/tide/TideRoom.tsx';
import { CardRoom } from '../home/card/CardRoom.tsx';
import { HomeDogsRoom } from '../home/dogs/HomeDogsRoom.tsx';
import { VisitRoom } from '../home/visit/VisitRoom.tsx';
import { DevicesRoom } from '../table/devices/DevicesRoom.tsx';
import { SessionRoom } from '../table/session/SessionRoom.tsx';
import { WallRoom } from '../table/wall/WallRoom.tsx';
import { TableRoom } from '../table/start/TableRoom.tsx';
import { Door } from '../door/Door.tsx';
import { Shell } from './Shell.tsx';

function Broken() {
  const problem = useRouteError();
  return (
    <div className="wt-note wt-note-stop" role="alert">
      <p>This page could not be shown. What was saved is safe.</p>
      <p>{problem instanceof Error ? problem.message : ''}</p>
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

export const router = createBrowserRouter([
  {
    element: (
      <Door>
        <Shell />
      </Door>
    ),
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Navigate to="/desk/tide" replace /> },
      { path: '/desk', element: <Navigate to="/desk/tide" replace /> },
      { path: '/desk/tide', element: <TideRoom /> },
      { path: '/desk/tide/honest', element: <HonestRoom /> },
      { path: '/desk/dogs', element: <DogsRoom /> },
      { path: '/desk/dogs/new', element: <DogForm /> },
      { path: '/desk/dogs/:dogId', element: <DogRoom /> },
      { path: '/desk/dogs/:dogId/edit', element: <DogForm /> },
      { path: '/desk/dogs/:dogId/tide', element: <DogTideRoom /> },
      { path: '/desk/dogs/:dogId/home', element: <HomePlanRoom /> },
      { path: '/desk/homes', element: <HomesRoom /> },
      { path: '/desk/post', element: <PostRoom /> },
      { path: '/desk/dogs/:dogId/check', element: <CheckRoom /> },
      { path: '/desk/dogs/:dogId/next', element: <NextRoom /> },
      { path: '/desk/dogs/:dogId/plan/:checkId', element: <PlanRoom /> },
      { path: '/desk/bench', element: <BenchRoom /> },
      { path: '/desk/ahead', element: <AheadRoom /> },
      { path: '/desk/book', element: <BookRoom /> },
      { path: '/desk/sheet', element: <DaySheetRoom /> },
      { path: '/desk/staff', element: <StaffRoom /> },
      { path: '/desk/tally', element: <TallyRoom /> },
      { path: '/desk/day', element: <DayRoom /> },
      { path: '/desk/dogs/:dogId/note/:checkId', element: <NoteRoom /> },
      { path: '/desk/dogs/:dogId/sheet/:checkId', element: <SheetRoom /> },
      { path: '/desk/kit', element: <KitRoom /> },
      { path: '/desk/kit/new', element: <ToolForm /> },
      { path: '/desk/kit/:toolId', element: <ToolForm /> },
      { path: '/desk/rules', element: <RulesRoom /> },
      { path: '/desk/house', element: <HouseRoom /> },
      { path: '/desk/you', element: <YouRoom /> },
      { path: '/desk/keys', element: <KeysRoom /> },
      { path: '/desk/safe', element: <SafeRoom /> },
      { path: '/desk/changes', element: <ChangesRoom /> },
      { path: '/desk/intake', element: <IntakeRoom /> },
      { path: '/table', element: <TableRoom /> },
      { path: '/table/wall', element: <WallRoom /> },
      { path: '/table/devices', element: <DevicesRoom /> },
      { path: '/table/sessions/:sessionId', element: <SessionRoom /> },
      { path: '/home', element: <HomeDogsRoom /> },
      { path: '/home/:dogId', element: <CardRoom /> },
      { path: '/home/:dogId/visits/:sessionId', element: <VisitRoom /> },
      { path: '*', element: <NotHere /> },
    ],
  },
]);
