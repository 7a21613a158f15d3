'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';
import { plan } from '@/core/commands/commands';
import type { CommandInputs, CommandName } from '@/core/commands/command-inputs';
import type { Finding } from '@/core/checks/finding';
import { recordsOf } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { solve } from '@/core/solving/solve';
import { IMPERIAL, METRIC } from '@/core/units/format-length';
import { FindingCard } from '../details/findings';
import { ShaftFields } from '../kinds/shafts/shaft-fields';
import { WallFields } from '../kinds/walls/wall-fields';
import { FloorFields } from '../kinds/floors/floor-fields';
import {
  ActionButton,
  AngleField,
  CheckField,
  ChoiceField,
  PlainField,
  SwitchButtons,
  TextField,
} from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { makeProjectStore, ProjectContext, useProjectStore, useSlice, type ProjectStore } from '../session/store';
import { sample } from './sample';
import { themeTokens } from './theme-tokens';

/** A store of its own with the sample in it: what is done to it is done here and kept nowhere. */
function sampleStore(): ProjectStore {
  const store = makeProjectStore();
  const { framework } = sample();
  const solved = solve(framework);
  const building = solved.buildings[0]!.id;
  const level = solved.levels.find(({ name }) => name === '01')!.id;
  let n = 0;
  const run = <Name extends CommandName>(command: Name, input: CommandInputs[Name]): string | null => {
    n += 1;
    const planned = plan(store.getState().framework, command, input, derivedCommandId('part', String(n)));
    if (!planned.ok) return planned.refusal.message;
    store.setState({ framework: planned.value.after, solved: solve(planned.value.after) });
    return null;
  };
  store.setState({
    status: 'ready',
    role: 'designer',
    mayEdit: true,
    framework,
    solved,
    building,
    level,
    run,
    send: ({ command, input }) => run(command, input),
  });
  return store;
}

/** Every field, button, finding and table in its states, in both themes, beside each other. */
export function Parts() {
  const [display, setDisplay] = useState<'metric' | 'imperial'>('metric');
  const [tokens, setTokens] = useState<ReturnType<typeof themeTokens> | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setTokens(themeTokens()));
    return () => clearTimeout(timer);
  }, []);
  return (
    <main className="flex h-full flex-col overflow-auto">
      <header className="flex items-baseline gap-4 border-b border-hair px-5 py-3">
        <h1 className="text-[15px] font-bold">Parts of the interface</h1>
        <SwitchButtons
          label="Units"
          value={display}
          choices={[
            ['metric', 'mm'],
            ['imperial', 'ft in'],
          ]}
          onChoose={setDisplay}
        />
      </header>
      {tokens && (
        <div className="grid grid-cols-2">
          {(['light', 'dark'] as const).map((theme) => (
            <Side key={theme} theme={theme} tokens={tokens[theme]} display={display} />
          ))}
        </div>
      )}
    </main>
  );
}

interface SideProps {
  theme: 'light' | 'dark';
  tokens: Record<string, string>;
  display: 'metric' | 'imperial';
}

function Side({ theme, tokens, display }: SideProps) {
  const [store] = useState(sampleStore);
  const root = useRef<HTMLElement>(null);
  useEffect(() => store.setState({ display: display === 'metric' ? METRIC : IMPERIAL }), [store, display]);
  useEffect(() => {
    for (const [name, value] of Object.entries(tokens)) root.current?.style.setProperty(name, value);
  }, [tokens]);
  return (
    <section
      ref={root}
      aria-label={`Parts in the ${theme} theme`}
      className={`flex flex-col gap-6 bg-film p-5 text-ink ${theme === 'dark' ? 'scheme-dark' : 'scheme-light'}`}
    >
      <ProjectContext value={store}>
        <Group name="Fields">
          <Fields />
        </Group>
        <Group name="Fields that only read">
          <ReadOnly />
        </Group>
        <Group name="Buttons">
          <Buttons />
        </Group>
        <Group name="Findings">
          <FindingsInAllStates />
        </Group>
        <Group name="Tags and tables">
          <Table />
        </Group>
        <Group name="Panels of things">
          <Things />
        </Group>
      </ProjectContext>
    </section>
  );
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex max-w-[300px] flex-col gap-2">
      <h2 className="border-b border-hair pb-1 font-bold">{name}</h2>
      {children}
    </div>
  );
}

function Fields() {
  const [text, setText] = useState('Foyer');
  const [mm, setMm] = useState(3300);
  const [plain, setPlain] = useState('3.45m-325');
  const [angle, setAngle] = useState(12.5);
  const [on, setOn] = useState(true);
  const [side, setSide] = useState<'left' | 'right'>('left');
  const sides = [
    ['left', 'on the left'],
    ['right', 'on the right'],
  ] as const;
  return (
    <>
      <TextField label="Text" value={text} onCommit={(typed) => (setText(typed), null)} />
      <TextField label="Text that is refused" value="A" onCommit={() => 'There is a level named so already'} />
      <LengthField label="Length" valueMm={mm} onCommit={(next) => (setMm(Number(next) || mm), null)} />
      <LengthField label="Length, rounded as shown" valueMm={1234.5678} onCommit={() => null} />
      <LengthField label="Length that is refused" valueMm={40} onCommit={() => 'It must be at least 50 mm'} />
      <LengthField compact label="Length, in a row" valueMm={900} onCommit={() => null} />
      <AngleField label="Angle" valueDeg={angle} onCommit={(degrees) => (setAngle(degrees), null)} />
      <ChoiceField label="Choice" value={side} choices={sides} onChoose={setSide} />
      <CheckField label="Check" value={on} onChange={setOn} />
      <PlainField label="Read by its tool" value={plain} onChange={setPlain} note="= 3125 mm" />
      <PlainField label="Not understood" value="3.4x" onChange={() => undefined} note="No length: “x”" wrong />
      <PlainField wide label="Wide" value="A-1; 6m e; 4m n" onChange={() => undefined} note="3 corners, 10 000 long" />
    </>
  );
}

const nothing = () => undefined;
const refuse = () => null;

function ReadOnly() {
  return (
    <>
      <TextField disabled label="Text" value="Foyer" onCommit={refuse} />
      <LengthField disabled label="Length" valueMm={3300} onCommit={refuse} />
      <AngleField disabled label="Angle" valueDeg={12.5} onCommit={refuse} />
      <ChoiceField disabled label="Choice" value="left" choices={[['left', 'on the left']]} onChoose={nothing} />
      <CheckField disabled label="Check" value onChange={nothing} />
    </>
  );
}

function Buttons() {
  const [way, setWay] = useState<'lines' | 'window' | 'point'>('lines');
  return (
    <>
      <span className="flex flex-wrap gap-2">
        <ActionButton weight="main">Do it</ActionButton>
        <ActionButton>Plain</ActionButton>
        <ActionButton weight="danger">Delete this</ActionButton>
      </span>
      <span className="flex flex-wrap gap-2">
        <ActionButton disabled weight="main">
          Do it
        </ActionButton>
        <ActionButton disabled>Plain</ActionButton>
        <ActionButton disabled weight="danger">
          Delete this
        </ActionButton>
      </span>
      <SwitchButtons
        label="Way"
        value={way}
        choices={[
          ['lines', 'by lines'],
          ['window', 'in a window'],
          ['point', 'at a point'],
        ]}
        onChoose={setWay}
      />
    </>
  );
}

function FindingsInAllStates() {
  const { solved, building } = useSlice('solved', 'building');
  const store = useProjectStore();
  const found = solved?.findings ?? [];
  const shown = [
    found.find(({ fixes, severity }) => fixes.length > 0 && severity === 'error'),
    found.find(({ severity }) => severity === 'warning'),
  ].filter((each): each is Finding => each !== undefined);
  return (
    <>
      {shown.map((finding) => (
        <FindingCard key={finding.key} finding={finding} />
      ))}
      {shown.length === 0 && (
        <p className="text-ink2">All is well with the sample in {building ? 'its' : 'no'} building.</p>
      )}
      <span className="flex gap-2">
        <ActionButton onClick={() => store.setState({ mayEdit: !store.getState().mayEdit })}>
          As a viewer, as a designer
        </ActionButton>
      </span>
    </>
  );
}

function Table() {
  return (
    <>
      <span className="flex flex-wrap gap-2 text-[11px]">
        <span className="rounded-sm bg-now-tint px-1.5 font-semibold text-now">chosen</span>
        <span className="rounded-sm border border-hair bg-sheet px-1.5">tag</span>
        <span className="text-look">2 to look at</span>
        <span className="text-wrong">1 wrong</span>
        <span className="text-ink3">quiet words</span>
      </span>
      <table className="w-full border-t border-faint">
        <caption className="sr-only">A table</caption>
        <thead>
          <tr className="text-left text-ink2">
            <th className="font-normal">Level</th>
            <th className="text-right font-normal">Clear</th>
            <th className="text-right font-normal">m³</th>
          </tr>
        </thead>
        <tbody className="figures">
          {[
            ['02', '2480', '1.20'],
            ['01', '3060', '1.45'],
          ].map(([level, clear, volume]) => (
            <tr key={level}>
              <td>{level}</td>
              <td className="text-right">{clear}</td>
              <td className="text-right">{volume}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Things() {
  const framework = useSlice('framework').framework;
  const [wall] = recordsOf(framework, 'wall');
  const [plate] = recordsOf(framework, 'floorPlate');
  return (
    <>
      {wall && <WallFields record={wall} />}
      {plate && <FloorFields record={plate} />}
      {recordsOf(framework, 'shaft').map((shaft) => (
        <ShaftFields key={shaft.id} record={shaft} />
      ))}
    </>
  );
}
