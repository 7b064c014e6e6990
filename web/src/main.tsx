import './styles.css';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { Door } from './shell/Door.tsx';
import { Plans } from './shell/Plans.tsx';
import { PlanShell } from './shell/PlanShell.tsx';

const stones = {
  room: lazy(() => import('./stones/room/RoomStone.tsx')),
  activities: lazy(() => import('./stones/activities/ActivitiesStone.tsx')),
  supplies: lazy(() => import('./stones/supplies/SuppliesStone.tsx')),
  furniture: lazy(() => import('./stones/furniture/FurnitureStone.tsx')),
  homes: lazy(() => import('./stones/homes/HomesStone.tsx')),
  tryout: lazy(() => import('./stones/tryout/TryOutStone.tsx')),
  keepup: lazy(() => import('./stones/keepup/KeepUpStone.tsx')),
};

/** The stand-in for a label printer, in a window of its own. */
const PrinterWindow = lazy(() => import('./stones/keepup/PrinterWindow.tsx'));

const router = createBrowserRouter([
  { path: '/', element: <Plans /> },
  {
    path: '/p/:planId',
    element: <PlanShell />,
    children: [
      { index: true, element: <Navigate to="room" replace /> },
      ...Object.entries(stones).map(([path, Stone]) => ({
        path,
        element: (
          <Suspense fallback={<p className="p-6 text-soft">Opening …</p>}>
            <Stone />
          </Suspense>
        ),
      })),
    ],
  },
  {
    path: '/printer',
    element: (
      <Suspense>
        <PrinterWindow />
      </Suspense>
    ),
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Door>
      <RouterProvider router={router} />
    </Door>
    <Toaster
      position="bottom-center"
      toastOptions={{
        className: '!bg-ink !text-ground !border-0 !text-[15px] !font-sans',
        duration: 5000,
        classNames: { description: '!text-ground/80' },
      }}
    />
  </StrictMode>,
);
