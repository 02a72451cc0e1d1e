import type { ImportPreview as Preview } from "../../../server/catalogue/import-products.ts";
import { say } from "../../language/say.ts";

type Props = { preview: Preview; onTake: () => void; onDrop: () => void };

/** What a catalogue file would change, before it does. */
export const ImportPreview = ({ preview: { added, changed, same, examples }, onTake, onDrop }: Props) => (
  <div role="status" className="mt-2 grid gap-2">
    <p>
      <strong>{say("{count, plural, one {# new product} other {# new products}}", { count: added })}</strong>,{" "}
      <strong>{say("{count, plural, one {# changed product} other {# changed products}}", { count: changed })}</strong>
      {say(
        ", {count, plural, one {# product} other {# products}} as they are. Products that the file does not name stay.",
        { count: same },
      )}
    </p>
    {examples.length > 0 && (
      <table className="table table-sm text-[14px] [&_td]:align-top [&_td]:text-[14px]">
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">{say("Product")}</th>
            <th scope="col">{say("What would be different")}</th>
          </tr>
        </thead>
        <tbody>
          {examples.map(({ sku, name, differences }) => (
            <tr key={sku}>
              <th scope="row" className="font-normal">
                {name} <span className="text-[13px] text-quiet">{sku}</span>
              </th>
              <td>
                {differences.length === 0
                  ? say("It is new.")
                  : differences.map(({ part, before, after }) => (
                      <span key={part} className="block">
                        {part}: {before} → {after}
                      </span>
                    ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    )}
    {added + changed > examples.length && (
      <p className="text-[13px] text-quiet">
        {say("and {count, plural, one {# more product} other {# more products}}", {
          count: added + changed - examples.length,
        })}
      </p>
    )}
    <div className="flex gap-2">
      <button type="button" className="btn btn-neutral btn-sm" onClick={onTake}>
        {say("Take these products")}
      </button>
      <button type="button" className="btn btn-sm" onClick={onDrop}>
        {say("Leave the catalogue as it is")}
      </button>
    </div>
  </div>
);
