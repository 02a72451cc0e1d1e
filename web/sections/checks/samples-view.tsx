import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useContext, useMemo, useState } from "react";
import type { Quote } from "../../../core/quote/answer/quote.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { boundarySamples } from "../../../core/samples/boundary-samples.ts";
import { runSample, type SampleRun } from "../../../core/samples/compare.ts";
import { type Sample, seenIn } from "../../../core/samples/sample.ts";
import { freeId } from "../../../core/schema/positions.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { downloadText } from "../../fields/download-text.ts";
import { FileField } from "../../fields/file-field.tsx";
import { SetAsideList } from "../../fields/set-aside.tsx";
import { say, sayValue } from "../../language/say.ts";
import { ApiError, api, errorWords } from "../../state/api.ts";
import { FindingsContext } from "../../state/findings-context.tsx";
import { keptSamples } from "../../state/server-queries.ts";

type Props = { compiled: CompiledPlan; request: QuoteRequest; quote: Quote | null };

/** "This shopper, this cart, should see this": kept, put to the plan after every edit, differences accepted one by one. */
export function SamplesView({ compiled, request, quote }: Props) {
  const client = useQueryClient();
  const { show } = useContext(FindingsContext);
  const { data } = useQuery(keptSamples);
  const [note, setNote] = useState<{ lines: readonly string[]; wrong: boolean } | null>(null);
  /** Carts at edges: shown before they are kept, and forgotten again together. */
  const [made, setMade] = useState<{ samples: readonly Sample[]; areKept: boolean } | null>(null);
  const samples = data?.samples ?? [];
  const runs = useMemo(() => (data?.samples ?? []).map((sample) => runSample(compiled, sample)), [compiled, data]);
  const fallen = runs.filter(({ differences }) => differences.length > 0);
  const keeping = useMutation({
    mutationFn: api.keepSamples,
    onSuccess: (kept) => client.setQueryData(keptSamples.queryKey, kept),
    onError: (error) => {
      const lines = error instanceof ApiError ? error.lines : [];
      setNote({ lines: lines.length > 0 ? lines : [errorWords(error)], wrong: true });
    },
  });
  const forgetting = useMutation({
    mutationFn: (ids: readonly string[]) => api.dropSamples(ids),
    onSuccess: (kept) => client.setQueryData(keptSamples.queryKey, kept),
    onError: (error) => setNote({ lines: [errorWords(error)], wrong: true }),
  });
  const keep = (more: readonly Sample[], said: readonly string[] = []) => {
    // Not once it is kept: by then the note may be about something later.
    setNote(null);
    const tell = () => said.length > 0 && setNote({ lines: said, wrong: false });
    if (more.length > 0) keeping.mutate(more, { onSuccess: tell });
    else tell();
  };
  const generate = () => {
    const { samples: made, covered, left } = boundarySamples(compiled, Date.parse(request.at));
    const taken = samples.map(({ id }) => id);
    const known = new Set(samples.map((sample) => sample.name));
    const fresh = made.map(({ sample }) => sample).filter((sample) => !known.has(sample.name));
    const named = fresh.map((sample) => {
      const id = freeId(sample.id, taken);
      taken.push(id);
      return { ...sample, id };
    });
    setNote({
      lines: [
        say("{covered} edges covered by {count} carts, {fresh} of them new.", {
          covered,
          count: made.length,
          fresh: named.length,
        }),
        ...left.map(({ edge, why }) => say("Not covered: {edge}, since {why}.", { edge, why })),
      ],
      wrong: false,
    });
    setMade(named.length > 0 ? { samples: named, areKept: false } : null);
  };
  const read = async (file: File) => {
    try {
      const parsed: unknown = JSON.parse(await file.text());
      // The server checks them by the schema; here they are only a list.
      keep(Array.isArray(parsed) ? parsed : [parsed], [say("Read.")]);
    } catch (error) {
      setNote({ lines: [errorWords(error)], wrong: true });
    }
  };
  return (
    <>
      <p className={fallen.length > 0 ? "mb-2 font-semibold text-warning" : "mb-2"}>
        {samples.length === 0 && say("No cart is kept with what it should see yet.")}
        {samples.length > 0 &&
          fallen.length === 0 &&
          say(
            "{count, plural, one {One sample cart sees what it should.} other {# sample carts see what they should.}}",
            {
              count: samples.length,
            },
          )}
        {fallen.length > 0 &&
          say("{count} of {all, plural, one {one sample cart sees} other {# sample carts see}} something else now.", {
            count: fallen.length,
            all: samples.length,
          })}
      </p>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <KeepForm
          disabled={!quote}
          onKeep={(called) => {
            if (!quote) return;
            const { carriers: _, ...asked } = request;
            const taken = samples.map(({ id }) => id);
            keep([{ id: freeId(called, taken), name: called, request: asked, expected: seenIn(quote) }]);
          }}
        />
        <button type="button" className="btn btn-sm" onClick={generate}>
          {say("Make carts for every edge")}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          disabled={samples.length === 0}
          onClick={() => downloadText(`${JSON.stringify(samples, null, 2)}\n`, "application/json", "samples.json")}
        >
          {say("Save as JSON")}
        </button>
        <FileField label={say("Read samples")} accept=".json,application/json" onFile={(file) => void read(file)} />
      </div>
      {note && (
        <ul
          role={note.wrong ? "alert" : "status"}
          className={`mb-2 text-[13px] ${note.wrong ? "text-warning" : "text-quiet"}`}
        >
          {note.lines.slice(0, 12).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {made && (
        <MadeAtEdges
          {...made}
          onKeep={() => keeping.mutate(made.samples, { onSuccess: () => setMade({ ...made, areKept: true }) })}
          onLeave={() => {
            if (made.areKept) forgetting.mutate(made.samples.map(({ id }) => id));
            setMade(null);
            setNote(null);
          }}
        />
      )}
      <SetAsideList list={data?.setAside ?? []} onForget={(id) => forgetting.mutate([id])} />
      <ul aria-label={say("Sample carts")} className="max-h-[520px] overflow-y-auto">
        {[...fallen, ...runs.filter(({ differences }) => differences.length === 0)].map((run) => (
          <Row
            key={run.sample.id}
            run={run}
            onShow={() => show(run.sample.request)}
            onAccept={() => run.seen && keep([{ ...run.sample, expected: run.seen }])}
            onDrop={() => forgetting.mutate([run.sample.id])}
          />
        ))}
      </ul>
    </>
  );
}

type MadeProps = { samples: readonly Sample[]; areKept: boolean; onKeep: () => void; onLeave: () => void };

/** What to do with carts that were made at edges. */
const MadeAtEdges = ({ samples, areKept, onKeep, onLeave }: MadeProps) => (
  <p className="mb-3 flex flex-wrap items-center gap-3">
    {areKept ? (
      say("{count, plural, one {One new cart is kept.} other {# new carts are kept.}}", { count: samples.length })
    ) : (
      <button type="button" className="btn btn-sm btn-neutral" onClick={onKeep}>
        {samples.length === 1 ? say("Keep the new cart") : say("Keep the {count} new carts", { count: samples.length })}
      </button>
    )}
    <button type="button" className="btn btn-sm" onClick={onLeave}>
      {areKept ? say("Forget them again") : say("Keep none of them")}
    </button>
  </p>
);

/** Keeps what is on screen under a name. */
function KeepForm({ disabled, onKeep }: { disabled: boolean; onKeep: (name: string) => void }) {
  const [name, setName] = useState("");
  const called = name.trim();
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (called === "" || disabled) return;
        onKeep(called);
        setName("");
      }}
    >
      <label className="grid gap-0.5 text-[13px] text-quiet">
        {say("Keep what is on screen as")}
        <input
          className="input input-sm w-64"
          value={name}
          maxLength={100}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-sm btn-neutral" disabled={called === "" || disabled}>
        {say("Should see this")}
      </button>
    </form>
  );
}

type RowProps = { run: SampleRun; onShow: () => void; onAccept: () => void; onDrop: () => void };

function Row({ run: { sample, differences, seen }, onShow, onAccept, onDrop }: RowProps) {
  return (
    <li className="border-b border-base-300 py-1.5">
      <div className="flex items-center gap-3">
        <span className={differences.length > 0 ? "font-semibold" : ""}>{sample.name}</span>
        <span className="ml-auto flex gap-3 text-[13px]">
          <button type="button" className="btn btn-xs" onClick={onShow}>
            {say("Show me")}
          </button>
          <button type="button" className="btn btn-xs" onClick={onDrop}>
            {say("Forget")}
            <span className="sr-only"> {sample.name}</span>
          </button>
        </span>
      </div>
      {differences.length > 0 && (
        <table
          aria-label={say("Differences of {name}", { name: sample.name })}
          className="table table-xs mt-1 w-auto text-[13px] [&_td]:text-[13px]"
        >
          <tbody>
            {differences.map(({ about, expected, found }) => (
              <tr key={say(about)}>
                <td className="text-quiet">{say(about)}</td>
                <td>
                  <s>{sayValue(expected)}</s>
                </td>
                <td className="font-semibold text-warning">{sayValue(found)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {differences.length > 0 && seen && (
        <button type="button" className="btn btn-xs" onClick={onAccept}>
          {say("This is what it should see now")}
          <span className="sr-only">: {sample.name}</span>
        </button>
      )}
    </li>
  );
}
