import { useMemo } from "react";
import { idleCodes } from "../../../core/explain/idle-codes.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { say, theReader } from "../../language/say.ts";
import { locationNameIn } from "../../names/location-name.ts";

type Props = { compiled: CompiledPlan; request: QuoteRequest };

/** Why codes that were entered change nothing: said to the people who look, not to shoppers. */
export function IdleCodesNote({ compiled, request }: Props) {
  const idle = useMemo(
    () => idleCodes(compiled, request, { locationName: locationNameIn(compiled.plan) }),
    [compiled, request],
  );
  if (idle.length === 0) return null;
  return (
    <ul
      aria-label={say("Codes that change nothing")}
      className="mt-1 text-[13px] text-quiet"
      dir="ltr"
      lang={theReader().locale}
    >
      {idle.map(({ code, why }) => (
        <li key={code}>
          <strong>{code}</strong> {say("changes nothing. {why}", { why })}
        </li>
      ))}
    </ul>
  );
}
