/** What of the router the house stands on: fetched and read as a piece of its own. */
export { createBrowserRouter, RouterProvider } from 'react-router';
