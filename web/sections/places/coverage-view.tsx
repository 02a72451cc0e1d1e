import { lazy, type ReactNode, Suspense, useMemo, useState } from "react";
import type { Plan } from "../../../core/plan/plan.ts";
import { coverageOf } from "../../../core/queries/coverage.ts";
import { say } from "../../language/say.ts";
import { COUNTRY_CODES } from "../../names/country-codes.ts";
import { useOpenFindings } from "../../state/findings-context.tsx";

const CoverageMap = lazy(() => import("./map/coverage-map.tsx").then((module) => ({ default: module.CoverageMap })));

type Props = {
  plan: Plan;
  nameOf: (code: string) => string;
  /** The zone that is looked at. */
  chosen: string | null;
  onZone: (id: string) => void;
};

/** Every country and carved-out region at a glance: who serves it, who does not, and what is odd about it. */
export function CoverageView({ plan, nameOf, chosen, onZone }: Props) {
  const [search, setSearch] = useState("");
  const coverage = useMemo(() => coverageOf(plan, COUNTRY_CODES), [plan]);
  const zoneName = (id: string) => plan.zones.find((zone) => zone.id === id)?.name ?? id;
  // Where a zone has nothing to offer, nobody serves.
  const hasOptions = (zone: string) => !coverage.emptyZones.includes(zone);
  const served = coverage.rows.filter(({ zones }) => zones.length > 0);
  const withOptions = coverage.rows.filter(({ zones, code }) => zones.some(hasOptions) && !code.includes("-"));
  const unserved = coverage.rows.filter(({ zones, code }) => zones.length === 0 && !code.includes("-"));
  const carved = coverage.rows.filter(({ zones, code }) => zones.length === 0 && code.includes("-"));
  const wanted = search.trim().toLowerCase();
  const fits = ({ code }: { code: string }) =>
    wanted === "" || code.toLowerCase() === wanted || nameOf(code).toLowerCase().includes(wanted);
  const zoneLink = (id: string) => (
    <button key={id} type="button" className="mr-2 link min-h-6 cursor-pointer" onClick={() => onZone(id)}>
      {zoneName(id)}
    </button>
  );
  const findings = useOpenFindings().filter(({ at }) => at.kind === "zone");
  return (
    <section aria-label={say("Coverage")} className="mt-6 border-t border-base-300 pt-4">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[17px] font-bold">{say("Who serves where")}</h2>
        <p className="text-[13px] text-quiet">
          {say("{served, plural, one {One country} other {# countries}} served, {count} not", {
            served: withOptions.length,
            count: coverage.rows.filter(({ code }) => !code.includes("-")).length - withOptions.length,
          })}
        </p>
        <input
          className="input input-sm ml-auto w-52"
          aria-label={say("Find a country or region")}
          placeholder={say("Find a country or region")}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      </div>
      {findings.length > 0 && wanted === "" && (
        <ul className="mb-3 grid gap-1 border-l-2 border-warning pl-3 text-[13px]">
          {findings.map(({ sentence, at, severity }) => (
            <li key={say(sentence)} className={severity === "wrong" ? "text-warning" : ""}>
              {say(sentence)}{" "}
              <button type="button" className="link min-h-6 cursor-pointer" onClick={() => onZone(at.id)}>
                {say("Show it")}
                <span className="sr-only">: {zoneName(at.id)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] items-start gap-4 max-[1000px]:grid-cols-1">
        <Suspense fallback={<div className="mb-3 aspect-[800/420] border border-base-300 bg-base-200" />}>
          <CoverageMap
            plan={plan}
            coverage={coverage}
            nameOf={nameOf}
            zoneName={zoneName}
            chosen={chosen}
            onZone={onZone}
          />
        </Suspense>
        <div className="max-h-[460px] overflow-y-auto">
          <table className="table table-sm border border-base-300 bg-base-100 text-[14px] [&_td]:text-[14px]">
            <thead>
              <tr className="text-[13px] text-quiet">
                <th scope="col">{say("Place")}</th>
                <th scope="col">{say("Served by")}</th>
              </tr>
            </thead>
            <tbody>
              {served.filter(fits).map(({ code, zones, orNowhere, stopped, claimedTwice }) => (
                <tr key={code}>
                  <th scope="row" className="font-normal">
                    {nameOf(code)} <span className="text-[13px] text-quiet">{code}</span>
                  </th>
                  <td>
                    {zones.map(zoneLink)}
                    {!zones.some(hasOptions) && (
                      <span className="text-[13px] text-warning">{say("nothing is offered there")}</span>
                    )}
                    {claimedTwice.length > 1 && (
                      <span className="text-[13px] text-warning">{say("claimed twice")} </span>
                    )}
                    {orNowhere && <span className="text-[13px] text-warning">{say("some addresses by nobody")}</span>}
                    <Stopped zones={stopped.map(zoneLink)} />
                  </td>
                </tr>
              ))}
              {carved.filter(fits).map(({ code, stopped }) => (
                <tr key={code}>
                  <th scope="row" className="font-normal">
                    {nameOf(code)} <span className="text-[13px] text-quiet">{code}</span>
                  </th>
                  <td className="text-warning">
                    {stopped.length > 0 ? say("nobody") : say("carved out, and served by nobody")}
                    <Stopped zones={stopped.map(zoneLink)} />
                  </td>
                </tr>
              ))}
              {wanted !== "" &&
                unserved.filter(fits).map(({ code, stopped }) => (
                  <tr key={code}>
                    <th scope="row" className="font-normal">
                      {nameOf(code)} <span className="text-[13px] text-quiet">{code}</span>
                    </th>
                    <td className="text-quiet">
                      {say("nobody")}
                      <Stopped zones={stopped.map(zoneLink)} />
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      </div>
      {wanted === "" && unserved.length > 0 && (
        <details className="mt-2 text-[13px] text-quiet">
          <summary className="cursor-pointer">
            {say("Served by nobody: {count} countries", { count: unserved.length })}
          </summary>
          <p className="mt-1">{unserved.map(({ code }) => nameOf(code)).join(", ")}</p>
        </details>
      )}
    </section>
  );
}

/** The zones that a place would have, were they not switched off. */
const Stopped = ({ zones }: { zones: readonly ReactNode[] }) =>
  zones.length > 0 && (
    <span className="text-[13px] text-warning">
      {say(": switched off, and not sold to:")} {zones}
    </span>
  );
