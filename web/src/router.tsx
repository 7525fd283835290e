import { Navigate, createBrowserRouter } from 'react-router';
import { Fault } from './shell/Fault.tsx';
import { Lost } from './shell/Lost.tsx';
import { screen } from './shell/screen.tsx';
import { Shell } from './shell/Shell.tsx';

/** Every view has an address; each screen is fetched when it is first opened, or ahead while nothing else is done. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Fault />,
    HydrateFallback: () => null,
    children: [
      { index: true, element: <Navigate to="/bay" replace /> },
      { path: 'bay', lazy: screen(async () => (await import('./bay/BayPage.tsx')).BayPage) },
      { path: 'bay/:shop', lazy: screen(async () => (await import('./bay/BayPage.tsx')).BayPage) },
      { path: 'jobs', lazy: screen(async () => (await import('./jobs/JobsPage.tsx')).JobsPage) },
      { path: 'shop', lazy: screen(async () => (await import('./shop/ShopPage.tsx')).ShopPage) },
      {
        path: 'shop/:shop',
        lazy: screen(async () => (await import('./shop/ShopPage.tsx')).ShopPage),
      },
      {
        path: 'shelf',
        lazy: screen(async () => (await import('./shelf/ShelfPage.tsx')).ShelfPage),
      },
      {
        path: 'shelf/:shop',
        lazy: screen(async () => (await import('./shelf/ShelfPage.tsx')).ShelfPage),
      },
      {
        path: 'shelf/:shop/equipment',
        lazy: screen(async () => (await import('./shelf/equipment/EquipmentPage.tsx')).EquipmentPage),
      },
      {
        path: 'shelf/:shop/stock',
        lazy: screen(async () => (await import('./shelf/stock/StockPage.tsx')).StockPage),
      },
      {
        path: 'shelf/:shop/products/:sheet',
        lazy: screen(async () => (await import('./shelf/ProductPage.tsx')).ProductPage),
      },
      { path: 'jobs/:job', lazy: screen(async () => (await import('./jobs/JobPage.tsx')).JobPage) },
      {
        path: 'jobs/:job/panels/:panel',
        lazy: screen(async () => (await import('./panel/PanelPage.tsx')).PanelPage),
        children: [
          { index: true, element: <Navigate to="survey" replace /> },
          {
            path: 'survey',
            errorElement: <Fault />,
            lazy: screen(async () => (await import('./panel/survey/SurveyStage.tsx')).SurveyStage, 'div'),
          },
          {
            path: 'ladder',
            errorElement: <Fault />,
            lazy: screen(async () => (await import('./panel/ladder/LadderStage.tsx')).LadderStage, 'div'),
          },
          {
            path: 'pour',
            errorElement: <Fault />,
            lazy: screen(async () => (await import('./panel/pour/PourStage.tsx')).PourStage, 'div'),
          },
          {
            path: 'run',
            errorElement: <Fault />,
            lazy: screen(async () => (await import('./panel/run/RunStage.tsx')).RunStage, 'div'),
          },
          {
            path: 'hand-over',
            errorElement: <Fault />,
            lazy: screen(
              async () => (await import('./panel/hand-over/HandOverStage.tsx')).HandOverStage,
              'div',
            ),
          },
          {
            path: 'system',
            errorElement: <Fault />,
            lazy: screen(async () => (await import('./panel/system/SystemStage.tsx')).SystemStage, 'div'),
          },
        ],
      },
      {
        path: 'jobs/:job/panels/:panel/plan-sheet',
        lazy: screen(async () => (await import('./panel/sheet/PlanSheet.tsx')).PlanSheet),
      },
      {
        path: 'jobs/:job/panels/:panel/caution-sheet',
        lazy: screen(async () => (await import('./panel/sheet/CautionSheet.tsx')).CautionSheet),
      },
      {
        path: 'practice',
        lazy: screen(async () => (await import('./practice/PracticePage.tsx')).PracticePage),
      },
      {
        path: 'practice/cases',
        lazy: screen(async () => (await import('./practice/cases/CasesPage.tsx')).CasesPage),
      },
      {
        path: 'record',
        lazy: screen(async () => (await import('./record/RecordPage.tsx')).RecordPage),
      },
      {
        path: 'record/:job/:panel',
        lazy: screen(async () => (await import('./record/PanelRecordPage.tsx')).PanelRecordPage),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);
