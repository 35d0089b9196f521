import { lazy, Suspense, useEffect } from "react";
import {
  createBrowserRouter,
  Navigate,
  Outlet,
  RouterProvider,
  useLocation,
  useRouteError,
} from "react-router";
import { message } from "../api/client";
import { turnTo } from "../shared/language";
import { degrees, say, spoken } from "../shared/say";
import { useSession, useSite } from "../shared/session";
import { useLanguage } from "../shared/settings";
import { moveOn } from "../shared/update";
import { Alarms } from "./Alarms";
import { Shell } from "./Shell";

const Begin = lazy(() => import("../begin/Begin"));
const Trust = lazy(() => import("../begin/Trust"));
const SignIn = lazy(() => import("../signin/SignIn"));
const Shelf = lazy(() => import("../shelf/Shelf"));
const Mixing = lazy(() => import("../mixing/Mixing"));
const Machine = lazy(() => import("../machines/Machine"));
const SheetEditor = lazy(() => import("../sheets/SheetEditor"));
const Mine = lazy(() => import("../people/Mine"));
const FirstPin = lazy(() => import("../people/Mine").then((m) => ({ default: m.FirstPin })));
const People = lazy(() => import("../people/People"));
const OldText = lazy(() => import("../procedures/OldText"));
const Workbench = lazy(() => import("../procedures/Workbench"));
const TwoLanguages = lazy(() => import("../languages/TwoLanguages"));
const RuleBook = lazy(() => import("../rulebook/RuleBook"));
const Chemicals = lazy(() => import("../chemicals/Chemicals"));
const FloorPick = lazy(() => import("../floor/FloorPick"));
const Before = lazy(() => import("../floor/Before"));
const Round = lazy(() => import("../floor/Round"));
const Tonight = lazy(() => import("../tonight/Tonight"));
const Trouble = lazy(() => import("../trouble/Trouble"));
const Due = lazy(() => import("../due/Due"));
const Board = lazy(() => import("../release/Board"));
const Release = lazy(() => import("../release/Release"));
const RoundList = lazy(() => import("../logbook/RoundList"));
const OnTheRibbon = lazy(() => import("../logbook/OnTheRibbon"));
const RoundRecord = lazy(() => import("../logbook/RoundRecord"));

function SignedIn() {
  const session = useSession();
  const here = useLocation();
  if (session.isPending) {
    return <main className="page-state">{say("app.app.loading", "Loading…")}</main>;
  }
  if (session.isError) {
    return (
      <main className="page-state">
        <h1>{say("app.app.no-connection", "No connection")}</h1>
        <p>{message(session.error)}</p>
        <button className="btn" type="button" onClick={() => session.refetch()}>
          {say("app.app.try-again", "Try again")}
        </button>
      </main>
    );
  }
  if (!session.data.name) {
    return <Navigate to="/sign-in" state={{ from: here.pathname }} replace />;
  }
  if (session.data.choosePin) {
    return <FirstPin />;
  }
  return <Outlet />;
}

/** Where the work of each role is. */
const HOME: Record<string, string> = {
  SUPERVISOR: "/tonight",
  QA: "/board",
  CREW: "/floor",
  AUDITOR: "/logbook",
};

function Home() {
  const role = useSession().data?.role ?? "";
  return <Navigate to={HOME[role] ?? "/procedures"} replace />;
}

/** The floor and the wall take the whole screen; whoever has to know is told there as well. */
function WholeScreen() {
  const role = useSession().data?.role;
  return (
    <>
      {(role === "SUPERVISOR" || role === "QA") && <Alarms over />}
      <Outlet />
    </>
  );
}

/** The page speaks the language that is chosen here, and shows what the site's thermometers show. */
function useTongue() {
  const language = useLanguage();
  const site = useSite().data?.ways.temperatures;
  const unit = site === "°F" ? "°F" : "°C";
  useEffect(() => {
    if (site !== undefined && (language !== spoken() || unit !== degrees())) {
      void turnTo(language, unit);
    }
  }, [language, site, unit]);
}

function Lazy() {
  useTongue();
  const { pathname } = useLocation();
  useEffect(() => moveOn(pathname), [pathname]);
  return (
    <Suspense fallback={<main className="page-state">{say("app.app.loading", "Loading…")}</main>}>
      <Outlet />
    </Suspense>
  );
}

function Lost() {
  return (
    <main className="page-state">
      <h1>{say("app.app.nothing-here", "Nothing here")}</h1>
      <p>{say("app.app.there-is-no-page-at-this", "There is no page at this address.")}</p>
      <a href="/">{say("app.app.to-the-start-page", "To the start page")}</a>
    </main>
  );
}

/** A screen that failed: what waits on this device is kept, and the way out is one press. */
function Broken() {
  const error = useRouteError();
  return (
    <main className="page-state" role="alert">
      <h1>{say("app.app.screen-failed", "This screen failed")}</h1>
      <p>
        {say(
          "app.app.nothing-is-lost",
          "Nothing is lost: what was entered is written down or waits on this device. Load the page again; if it fails again, tell who looks after the program:",
        )}
      </p>
      <p className="quiet">{error instanceof Error ? error.message : String(error)}</p>
      <button className="btn" type="button" onClick={() => window.location.reload()}>
        {say("app.app.load-again", "Load the page again")}
      </button>
    </main>
  );
}

const router = createBrowserRouter([
  {
    element: <Lazy />,
    errorElement: <Broken />,
    children: [
      { path: "/sign-in", element: <SignIn /> },
      { path: "/begin", element: <Begin /> },
      { path: "/trust", element: <Trust /> },
      {
        element: <SignedIn />,
        children: [
          { path: "/", element: <Home /> },
          {
            element: <Shell />,
            children: [
              { path: "/machines", element: <Navigate to="/procedures" replace /> },
              { path: "/machines/:code/sheet", element: <SheetEditor /> },
              { path: "/machines/:code/trouble", element: <Trouble /> },
              { path: "/machines/:code", element: <Machine /> },
              { path: "/procedures", element: <Shelf /> },
              { path: "/procedures/old-text", element: <OldText /> },
              { path: "/procedures/:id/:version", element: <Workbench /> },
              { path: "/languages/:code/:document", element: <TwoLanguages /> },
              { path: "/tonight", element: <Tonight /> },
              { path: "/due", element: <Due /> },
              { path: "/mixing", element: <Mixing /> },
              { path: "/rulebook", element: <RuleBook /> },
              { path: "/chemicals", element: <Chemicals /> },
              { path: "/people", element: <People /> },
              { path: "/mine", element: <Mine /> },
              { path: "/board", element: <Board /> },
              { path: "/release/:round", element: <Release /> },
              { path: "/logbook", element: <RoundList /> },
              { path: "/logbook/:round", element: <RoundRecord /> },
              { path: "/logbook/:round/ribbon", element: <OnTheRibbon /> },
            ],
          },
          {
            element: <WholeScreen />,
            children: [
              { path: "/wall", element: <Board wall /> },
              { path: "/floor", element: <FloorPick /> },
              { path: "/floor/at/:machine", element: <FloorPick /> },
              { path: "/floor/start/:procedure", element: <Before /> },
              { path: "/floor/:round", element: <Round /> },
            ],
          },
        ],
      },
      { path: "*", element: <Lost /> },
    ],
  },
]);

export function App() {
  return <RouterProvider router={router} />;
}
