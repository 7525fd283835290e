import { Navigate, createBrowserRouter } from 'react-router';
import { Fault } from './shell/Fault.tsx';
import { Lost } from './shell/Lost.tsx';
import { Shell } from './shell/Shell.tsx';

/** Every view has an address; each place loads when it is first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Fault />,
    HydrateFallback: () => null,
    children: [
      { index: true, element: <Navigate to="/bay" replace /> },
      { path: 'bay', lazy: async () => ({ Component: (await import('./bay/BayPage.tsx')).BayPage }) },
      { path: 'bay/:shop', lazy: async () => ({ Component: (await import('./bay/BayPage.tsx')).BayPage }) },
      { path: 'jobs', lazy: async () => ({ Component: (await import('./jobs/JobsPage.tsx')).JobsPage }) },
      { path: 'shop', lazy: async () => ({ Component: (await import('./shop/ShopPage.tsx')).ShopPage }) },
      {
        path: 'shop/:shop',
        lazy: async () => ({ Component: (await import('./shop/ShopPage.tsx')).ShopPage }),
      },
      {
        path: 'shelf',
        lazy: async () => ({ Component: (await import('./shelf/ShelfPage.tsx')).ShelfPage }),
      },
      {
        path: 'shelf/:shop',
        lazy: async () => ({ Component: (await import('./shelf/ShelfPage.tsx')).ShelfPage }),
      },
      {
        path: 'shelf/:shop/equipment',
        lazy: async () => ({
          Component: (await import('./shelf/equipment/EquipmentPage.tsx')).EquipmentPage,
        }),
      },
      {
        path: 'shelf/:shop/stock',
        lazy: async () => ({ Component: (await import('./shelf/stock/StockPage.tsx')).StockPage }),
      },
      {
        path: 'shelf/:shop/products/:sheet',
        lazy: async () => ({ Component: (await import('./shelf/ProductPage.tsx')).ProductPage }),
      },
      { path: 'jobs/:job', lazy: async () => ({ Component: (await import('./jobs/JobPage.tsx')).JobPage }) },
      {
        path: 'jobs/:job/panels/:panel',
        lazy: async () => ({ Component: (await import('./panel/PanelPage.tsx')).PanelPage }),
        children: [
          { index: true, element: <Navigate to="survey" replace /> },
          {
            path: 'survey',
            errorElement: <Fault />,
            lazy: async () => ({ Component: (await import('./panel/survey/SurveyStage.tsx')).SurveyStage }),
          },
          {
            path: 'ladder',
            errorElement: <Fault />,
            lazy: async () => ({ Component: (await import('./panel/ladder/LadderStage.tsx')).LadderStage }),
          },
          {
            path: 'pour',
            errorElement: <Fault />,
            lazy: async () => ({ Component: (await import('./panel/pour/PourStage.tsx')).PourStage }),
          },
          {
            path: 'run',
            errorElement: <Fault />,
            lazy: async () => ({ Component: (await import('./panel/run/RunStage.tsx')).RunStage }),
          },
          {
            path: 'hand-over',
            errorElement: <Fault />,
            lazy: async () => ({
              Component: (await import('./panel/hand-over/HandOverStage.tsx')).HandOverStage,
            }),
          },
          {
            path: 'system',
            errorElement: <Fault />,
            lazy: async () => ({ Component: (await import('./panel/system/SystemStage.tsx')).SystemStage }),
          },
        ],
      },
      {
        path: 'jobs/:job/panels/:panel/plan-sheet',
        lazy: async () => ({ Component: (await import('./panel/sheet/PlanSheet.tsx')).PlanSheet }),
      },
      {
        path: 'jobs/:job/panels/:panel/caution-sheet',
        lazy: async () => ({ Component: (await import('./panel/sheet/CautionSheet.tsx')).CautionSheet }),
      },
      {
        path: 'practice',
        lazy: async () => ({ Component: (await import('./practice/PracticePage.tsx')).PracticePage }),
      },
      {
        path: 'practice/cases',
        lazy: async () => ({ Component: (await import('./practice/cases/CasesPage.tsx')).CasesPage }),
      },
      {
        path: 'record',
        lazy: async () => ({ Component: (await import('./record/RecordPage.tsx')).RecordPage }),
      },
      {
        path: 'record/:job/:panel',
        lazy: async () => ({ Component: (await import('./record/PanelRecordPage.tsx')).PanelRecordPage }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);
