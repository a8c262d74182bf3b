import type { Stage } from '@glimmer/core/items';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { Search } from 'lucide-react';
import { memo, Suspense, useEffect, useRef, useState } from 'react';
import { disableGlobalCursorStyles, Panel, PanelGroup, PanelResizeHandle } from 'react-resizable-panels';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import { StageHelp } from '../help/StageHelp.tsx';
import { FieldSumDrawer } from '../items/SumOf.tsx';
import { closeKept, openKept } from '../keeping/index.ts';
import { PicturePane } from '../picture/PicturePane.tsx';
import { ReckoningProvider, usePlan, useReckoned } from '../reckoning/index.ts';
import { bringInPicture } from '../stages/bringInPicture.ts';
import { useKeyOf, withKey } from '../state/keys.ts';
import { editPlan, usePlanStore } from '../state/planStore.ts';
import { tool, useTool } from '../state/tool.ts';
import { UnitsButton } from '../units/UnitsButton.tsx';
import { Boundary } from '../widgets/Boundary.tsx';
import { Button } from '../widgets/Button.tsx';
import { TextField } from '../widgets/fields.tsx';
import { SumDrawer } from '../widgets/SumDrawer.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { useDroppedFiles } from '../widgets/useDroppedFiles.ts';
import { Cord } from './Cord.tsx';
import { FindAnything } from './FindAnything.tsx';
import { FindingList } from './Findings.tsx';
import { HistoryButtons } from './HistoryButtons.tsx';
import { KeepBand, KeepSign } from './KeepSign.tsx';
import { KeysDialog } from './KeysDialog.tsx';
import { PrintHead } from './PrintHead.tsx';
import { ReckoningBar } from './ReckoningBar.tsx';
import { sheets, useSheetsAhead } from './sheets.ts';
import { isStage, stageInfo } from './stageInfo.ts';
import { TakeOutMenu } from './TakeOutMenu.tsx';
import { useKeys } from './useKeys.ts';

// The strict content policy forbids style elements made by script, and the handles have a cursor of their own.
disableGlobalCursorStyles();

/** True where there is room for picture and sheet side by side. */
function useIsWide(): boolean {
  const [wide, setWide] = useState(() => window.matchMedia('(min-width: 900px)').matches);
  useEffect(() => {
    const query = window.matchMedia('(min-width: 900px)');
    // Paper is narrower than the screen: laid out anew for it, the sheet would begin from nothing and print that.
    const follow = (): void => {
      if (!window.matchMedia('print').matches) setWide(query.matches);
    };
    query.addEventListener('change', follow);
    return () => query.removeEventListener('change', follow);
  }, []);
  return wide;
}

interface SheetProps {
  readonly stage: Stage;
  readonly pointedFindingId: string | null;
}

/** One stage's sheet; what goes on around it does not lay it out anew. */
const Sheet = memo(function Sheet({ stage, pointedFindingId }: SheetProps) {
  const { findings } = useReckoned();
  const plan = usePlan();
  const Body = sheets[stage];
  const heading = useRef<HTMLHeadingElement>(null);
  const shown = useRef(stage);
  // A change of stage is told by where the focus goes: to its heading, which is read out.
  useEffect(() => {
    if (shown.current === stage) return;
    shown.current = stage;
    // Whoever has opened a dialog meanwhile stays in it.
    if (!document.querySelector('[role="dialog"]')) heading.current?.focus({ preventScroll: true });
  }, [stage]);
  return (
    <main
      id="sheet"
      tabIndex={-1}
      className="print-only-sheet relative h-full overflow-y-auto bg-sheet px-4 py-3"
      data-stage={stage}
    >
      <PrintHead stage={stage} />
      <header className="mb-2">
        <div className="float-right">
          <StageHelp stage={stage} />
        </div>
        <h2 ref={heading} tabIndex={-1} className="text-title leading-7 outline-none">
          {stageInfo[stage].name}
        </h2>
        <p className="text-faint">{stageInfo[stage].question}</p>
      </header>
      <FindingList
        key={stage}
        findings={findings.filter((finding) => finding.stage === stage)}
        pointedFindingId={pointedFindingId}
      />
      <Boundary where="This sheet" resetKeys={[stage, plan]}>
        <Suspense fallback={<p className="text-faint">Laying out the sheet …</p>}>
          <Body />
        </Suspense>
      </Boundary>
    </main>
  );
});

const Picture = memo(PicturePane);

interface HeadProps {
  readonly stage: Stage;
  readonly onFind: () => void;
  readonly onKeys: () => void;
}

/** Name, stages, and what is done with the plan as a whole. */
function Head({ stage, onFind, onKeys }: HeadProps) {
  const [findKey, keysKey] = [useKeyOf('find'), useKeyOf('keys')];
  const plan = usePlan();
  return (
    <header className="no-print flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule bg-paper px-3 pt-1.5 pb-1">
      <h1 className="sr-only">
        {plan.name}: {stageInfo[stage].name}
      </h1>
      <a
        href="#sheet"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:px-3 focus:py-1"
      >
        To the sheet
      </a>
      <div className="w-44 min-w-0 xl:w-56 max-[899px]:w-auto max-[899px]:flex-1">
        <Link
          to="/"
          className="inline-flex min-h-6 items-center text-small text-verdigris underline underline-offset-2"
        >
          The shelf
        </Link>
        <TextField
          label="Name of the plan"
          hideLabel
          value={plan.name}
          onCommit={(name) =>
            editPlan((draft) => {
              draft.name = name;
            })
          }
          className="[&_input]:text-ellipsis [&_input]:border-transparent [&_input]:bg-transparent [&_input]:px-0 [&_input]:py-0 [&_input]:min-h-6 [&_input]:font-display [&_input]:text-medium [&_input]:font-semibold hover:[&_input]:border-rule"
        />
      </div>
      <Cord current={stage} />
      <div className="flex flex-col items-end gap-0.5">
        <div className="flex items-center gap-1">
          <HistoryButtons />
          <Button look="quiet" onClick={onFind} aria-label="Find anything" data-tip={withKey('Find anything', findKey)}>
            <Search size={17} />
          </Button>
          <UnitsButton />
          <Button look="quiet" onClick={onKeys} aria-label="The keys" data-tip={withKey('The keys', keysKey)}>
            ?
          </Button>
          <TakeOutMenu />
        </div>
        <KeepSign />
      </div>
    </header>
  );
}

interface PanesProps {
  readonly picture: React.ReactNode;
  readonly sheet: React.ReactNode;
}

function TwoPanes({ picture, sheet }: PanesProps) {
  return (
    <PanelGroup direction="horizontal" autoSaveId="bench" className="min-h-0 flex-1">
      <Panel defaultSize={56} minSize={25} className="no-print">
        {picture}
      </Panel>
      <PanelResizeHandle
        className="no-print w-1.5 cursor-col-resize border-x border-rule bg-paper hover:bg-pressed data-[resize-handle-state=drag]:bg-verdigris"
        aria-label="Border between picture and sheet"
      />
      <Panel defaultSize={44} minSize={28}>
        {sheet}
      </Panel>
    </PanelGroup>
  );
}

const PICTURE = 0;
const SHEET = 1;

/** Picture or sheet, where there is no room for both: the picture while a tool is in hand that is used on it. */
function OnePane({ picture, sheet }: PanesProps) {
  const [tab, setTab] = useState(SHEET);
  const isInHand = useTool((state) => state.tool.kind !== 'none');
  useEffect(() => setTab(isInHand ? PICTURE : SHEET), [isInHand]);
  return (
    <TabGroup className="print-flow flex min-h-0 flex-1 flex-col" selectedIndex={tab} onChange={setTab}>
      <TabList className="no-print flex border-b border-rule">
        {['Picture', 'Sheet'].map((name) => (
          <Tab
            key={name}
            className="min-h-10 flex-1 text-faint data-selected:bg-sheet data-selected:font-semibold data-selected:text-ink"
          >
            {name}
          </Tab>
        ))}
      </TabList>
      <TabPanels className="print-flow min-h-0 flex-1">
        <TabPanel className="print-flow h-full">{picture}</TabPanel>
        <TabPanel className="print-flow h-full">{sheet}</TabPanel>
      </TabPanels>
    </TabGroup>
  );
}

function Bench({ stage }: { readonly stage: Stage }) {
  const plan = usePlan();
  const { findings } = useReckoned();
  // An address leads to a thing of the plan, or to a finding, and back and forward go from one to the next.
  const [address] = useSearchParams();
  const pointedFindingId = address.get('finding');
  const at = address.get('at') ?? findings.find(({ id }) => id === pointedFindingId)?.aboutId ?? null;
  useEffect(() => {
    if (at !== null) tool.pointAt(at);
  }, [at]);
  const [finds, setFinds] = useState(false);
  const [showsKeys, setShowsKeys] = useState(false);
  const wide = useIsWide();
  useSheetsAhead();
  useDroppedFiles((file) => {
    if (file.type.startsWith('image/')) bringInPicture(file);
    else tell(`${file.name} is no picture: plans are brought in on the shelf, tables where their button is.`);
  });
  const nextFinding = useKeys({
    planId: plan.id,
    findings,
    pointedFindingId,
    onFind: () => setFinds(true),
    onKeys: () => setShowsKeys(true),
  });

  useEffect(() => {
    tool.layDown();
    document.title = `${plan.name}: ${stageInfo[stage].name}`;
  }, [stage, plan.name]);

  const sheet = <Sheet stage={stage} pointedFindingId={pointedFindingId} />;
  const picture = (
    <Boundary where="The picture" resetKeys={[stage, plan]}>
      <Picture stage={stage} />
    </Boundary>
  );
  return (
    <div className="print-flow flex h-full flex-col">
      <Head stage={stage} onFind={() => setFinds(true)} onKeys={() => setShowsKeys(true)} />
      <KeepBand />
      {wide ? <TwoPanes picture={picture} sheet={sheet} /> : <OnePane picture={picture} sheet={sheet} />}
      <ReckoningBar onFindings={nextFinding} />
      <SumDrawer />
      <FieldSumDrawer />
      {finds && <FindAnything onClose={() => setFinds(false)} />}
      {showsKeys && <KeysDialog onClose={() => setShowsKeys(false)} />}
    </div>
  );
}

/** One plan, worked through in eight stages. */
export function WorkbenchPage() {
  const { id = '', stage } = useParams();
  const openId = usePlanStore((state) => state.plan?.id);
  const [trouble, setTrouble] = useState<string | null>(null);

  useEffect(() => {
    let isHere = true;
    setTrouble(null);
    openKept(id).catch((error: unknown) => {
      if (isHere) setTrouble(error instanceof Error ? error.message : String(error));
    });
    return () => {
      isHere = false;
      closeKept();
    };
  }, [id]);

  if (!isStage(stage)) return <Navigate to={`/plan/${id}/piece`} replace />;
  if (trouble) {
    return (
      <main className="mx-auto max-w-xl p-10">
        <h1 className="mb-2 text-title">This plan can’t be opened</h1>
        <p className="mb-4">{trouble}.</p>
        <Link to="/" className="text-verdigris underline">
          Back to the shelf
        </Link>
      </main>
    );
  }
  if (openId !== id) return <p className="p-10 text-faint">Fetching the plan …</p>;
  return (
    <ReckoningProvider key={id}>
      <Bench stage={stage} />
    </ReckoningProvider>
  );
}
