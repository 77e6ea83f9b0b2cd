import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useEffect } from 'react';
import { createBrowserRouter, Outlet, type RouteObject, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { useSettings } from '../api/queries.ts';
import { Message } from '../frame/Message.tsx';
import { BagsPage } from '../places/bags/BagsPage.tsx';
import { Gate } from '../places/session/Gate.tsx';
import { Crash } from './Crash.tsx';

// A server on this very machine, or in the house, answers without the internet: what a browser calls offline decides nothing.
const client = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 30_000, retry: 2, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});

/** What is shown to whoever is in. */
const Inside = () => (
  <Gate>
    <Theme />
    <Outlet />
  </Gate>
);

const INSIDE: RouteObject[] = [
  { path: '/', element: <BagsPage />, errorElement: <Crash /> },
  {
    path: '/yarn',
    lazy: async () => ({ Component: (await import('../places/yarn/YarnPage.tsx')).YarnPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  {
    path: '/swatches',
    lazy: async () => ({ Component: (await import('../places/library/LibraryPage.tsx')).SwatchesPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  {
    path: '/motifs',
    lazy: async () => ({ Component: (await import('../places/library/LibraryPage.tsx')).MotifsPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  {
    path: '/settings',
    lazy: async () => ({ Component: (await import('../places/settings/SettingsPage.tsx')).SettingsPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  {
    path: '/bags/:id/:station?',
    // The open plan is most of the program: the list of bags does without it.
    lazy: async () => ({ Component: (await import('../bag-page/BagPage.tsx')).BagPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  {
    path: '*',
    element: <Message title="There is nothing here" text="The address may be mistyped." />,
  },
];

const router = createBrowserRouter([
  {
    path: '/join',
    lazy: async () => ({ Component: (await import('../places/session/JoinPage.tsx')).JoinPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  {
    path: '/invited',
    lazy: async () => ({ Component: (await import('../places/session/JoinPage.tsx')).InvitedPage }),
    errorElement: <Crash />,
    hydrateFallbackElement: <Message title="Opening ..." />,
  },
  { element: <Inside />, errorElement: <Crash />, children: INSIDE },
]);

/** Puts the chosen colours on the page, and follows the device where that is chosen. */
function Theme() {
  const { theme } = useSettings();
  useEffect(() => {
    const device = window.matchMedia('(prefers-color-scheme: dark)');
    const apply = () => {
      const dark = theme === 'dark' || (theme === 'device' && device.matches);
      window.document.documentElement.dataset.theme = dark ? 'dark' : 'light';
    };
    apply();
    device.addEventListener('change', apply);
    return () => device.removeEventListener('change', apply);
  }, [theme]);
  return null;
}

export function App() {
  return (
    <QueryClientProvider client={client}>
      <RouterProvider router={router} />
      <Toaster position="bottom-left" />
    </QueryClientProvider>
  );
}
