import './styles.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { Toaster } from 'sonner';
import { Door } from './shell/Door.tsx';
import { keepApp } from './parts/keep-app.ts';
import { Plans } from './shell/Plans.tsx';
import { PlanShell } from './shell/PlanShell.tsx';
import { part } from './parts/part.tsx';
import { View } from './parts/View.tsx';
import { sayCutTexts } from './ui/whole-words.ts';

const stones = {
  room: part(() => import('./stones/room/RoomStone.tsx')),
  activities: part(() => import('./stones/activities/ActivitiesStone.tsx')),
  supplies: part(() => import('./stones/supplies/SuppliesStone.tsx')),
  furniture: part(() => import('./stones/furniture/FurnitureStone.tsx')),
  homes: part(() => import('./stones/homes/HomesStone.tsx')),
  tryout: part(() => import('./stones/tryout/TryOutStone.tsx')),
  keepup: part(() => import('./stones/keepup/KeepUpStone.tsx')),
};

/** What there is on a guild's server besides plans. */
const Household = part(() => import('./shell/guild/Household.tsx').then((m) => ({ default: m.Household })));
const Take = part(() => import('./shell/guild/Take.tsx').then((m) => ({ default: m.Take })));

/** The stand-in for a label printer, in a window of its own. */
const PrinterWindow = part(() => import('./stones/keepup/labels/PrinterWindow.tsx'));

const router = createBrowserRouter([
  {
    path: '/',
    element: (
      <View>
        <Plans />
      </View>
    ),
  },
  {
    path: '/p/:planId',
    element: (
      <View>
        <PlanShell />
      </View>
    ),
    children: [
      { index: true, element: <Navigate to="room" replace /> },
      ...Object.entries(stones).map(([path, Stone]) => ({
        path,
        element: (
          <View fallback={<p className="p-6 text-soft">Opening …</p>}>
            <Stone />
          </View>
        ),
      })),
    ],
  },
  {
    path: '/printer',
    element: (
      <View>
        <PrinterWindow />
      </View>
    ),
  },
  ...[['/household', <Household key="household" />] as const, ['/take', <Take key="take" />] as const].map(
    ([path, page]) => ({ path, element: <View>{page}</View> }),
  ),
  { path: '*', element: <Navigate to="/" replace /> },
]);

sayCutTexts(document);
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

keepApp();
