/** Every address of the house, made from the list of pages. */
import { redirect, useRouteError, type LoaderFunctionArgs, type RouteObject } from 'react-router';
import { forgetLastSeen } from '../data/last-seen.ts';
import { Door } from '../door/Door.tsx';
import { MOVED, PAGES, type Page } from '../pages.ts';
import { Button } from '../ui/Button.tsx';
import { Notice } from '../ui/Notice.tsx';
import { Shell } from './Shell.tsx';
import { Waiting } from './state.tsx';

/** What was last seen may be what broke the room: it goes first, or the room would open with it again. */
const loadAgain = (): void => void forgetLastSeen().then(() => window.location.reload());

function Broken() {
  const problem = useRouteError();
  return (
    <Notice tone="stop" role="alert">
      <h1>This room could not be shown</h1>
      <p>What was saved is safe. The other rooms are open as ever.</p>
      <p>{problem instanceof Error ? problem.message : ''}</p>
      <p>
        <Button look="usual" onClick={loadAgain}>
          Load it again
        </Button>
      </p>
      <a href="/desk/dogs">Back to the dogs</a>
    </Notice>
  );
}

const NotHere = () => (
  <Notice role="alert">
    <h1>There is nothing at this address</h1>
    <a href="/desk/dogs">Back to the dogs</a>
  </Notice>
);

const routeOf = ({ path, code, asks }: Page): RouteObject => ({
  path,
  lazy: async () => ({ Component: await code() }),
  ...(asks && {
    loader: ({ params }) => {
      asks(params);
      return null;
    },
    // A view of the same page asks for itself what it needs.
    shouldRevalidate: ({ currentUrl, nextUrl }) => currentUrl.pathname !== nextUrl.pathname,
  }),
});

/** An old address leads on, with all that it asked. */
const movedTo =
  (to: string) =>
  ({ request }: LoaderFunctionArgs) =>
    redirect(to + new URL(request.url).search);

export const ROUTES: RouteObject[] = [
  {
    element: (
      <Door>
        <Shell />
      </Door>
    ),
    errorElement: <Broken />,
    children: [
      {
        // Each room breaks alone: the head of the house stands, and the next room opens as ever.
        errorElement: <Broken />,
        hydrateFallbackElement: <Waiting />,
        children: [
          ...Object.entries(MOVED).map(([path, to]) => ({ path, loader: movedTo(to) })),
          ...PAGES.map(routeOf),
          ...(import.meta.env.DEV
            ? [
                {
                  path: '/desk/parts',
                  lazy: async () => ({ Component: (await import('../desk/parts/PartsRoom.tsx')).PartsRoom }),
                },
              ]
            : []),
          { path: '*', element: <NotHere /> },
        ],
      },
    ],
  },
];
