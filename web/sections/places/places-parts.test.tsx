// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type ReactNode, useState } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { ZoneDestination } from "../../../core/places/destination.ts";
import type { Location } from "../../../core/places/location.ts";
import type { Change } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { carrierList, regionsOf } from "../../state/server-queries.ts";
import { draftStore } from "../../state/use-draft.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { Exceptions } from "./exceptions.tsx";
import { LocationEditor } from "./location-editor.tsx";
import { PostcodeTableEditor } from "./postcode-table-editor.tsx";
import { StoreEditor } from "./store-editor.tsx";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const plan = demoPlan();

async function write(label: string | RegExp, text: string): Promise<void> {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
}

function withAnswers(node: ReactNode) {
  const client = new QueryClient();
  client.setQueryData(regionsOf("ES").queryKey, {
    regions: [
      { code: "ES-CN", name: "Canarias" },
      { code: "ES-CE", name: "Ceuta" },
      { code: "ES-MD", name: "Madrid" },
    ],
  });
  client.setQueryData(carrierList.queryKey, [{ id: "osprelle", name: "Osprelle", services: [] }]);
  render(<QueryClientProvider client={client}>{node}</QueryClientProvider>);
}

describe("what is left out of a place", () => {
  /** The editor, with every change made to it put back into it. */
  function showExceptions(first: ZoneDestination) {
    const changes = vi.fn<(destination: ZoneDestination) => void>();
    function Edited() {
      const [destination, setDestination] = useState(first);
      return (
        <Exceptions
          destination={destination}
          nameOf={(code) => code}
          onDestination={(next) => {
            changes(next);
            setDestination(next);
          }}
        />
      );
    }
    withAnswers(<Edited />);
    return () => changes.mock.lastCall?.[0];
  }

  it("is carved out region by region or all that lie apart, and taken in again", async () => {
    const now = showExceptions({ country: "ES" });
    await userEvent.selectOptions(screen.getByLabelText("Carve out a region"), "all 2 outlying regions");
    expect(now()).toEqual({ country: "ES", exceptRegions: ["ES-CE", "ES-CN"] });
    await userEvent.click(screen.getByRole("button", { name: /without ES-CN/ }));
    expect(now()).toEqual({ country: "ES", exceptRegions: ["ES-CE"] });
    await userEvent.click(screen.getByRole("button", { name: /without ES-CE/ }));
    expect(now()).toEqual({ country: "ES" });
    await write("Without the postcodes", "07*, 35500");
    expect(now()).toEqual({ country: "ES", exceptPostcodes: ["07*", "35500"] });
    await write("Without the postcodes", "07*, #!");
    expect(screen.getByRole("alert").textContent).toContain("#! is no postcode");
    await write(/^Without the postcodes/, "");
    expect(now()).toEqual({ country: "ES" });
  });

  it("are countries, of the rest of the world; and postcodes that a zone is made of are changed in place", async () => {
    const world = showExceptions({ restOfWorld: true });
    await userEvent.selectOptions(screen.getByLabelText("Leave out a country"), "Switzerland");
    expect(world()).toEqual({ restOfWorld: true, exceptCountries: ["CH"] });
    await userEvent.click(screen.getByRole("button", { name: /without CH/ }));
    expect(world()).toEqual({ restOfWorld: true });
    cleanup();
    const some = showExceptions({ country: "ES", postcodes: ["28*"] });
    await write("Postcodes", "28*; 08001..08042");
    expect(some()).toEqual({ country: "ES", postcodes: ["28*", "08001..08042"] });
    await write(/^Postcodes/, "");
    expect(screen.getByRole("alert").textContent).toBe("needs at least one");
  });
});

describe("the store's own settings", () => {
  function showStore(first: Plan = plan) {
    const commit = vi.spyOn(draftStore, "commit").mockImplementation(() => {});
    vi.spyOn(draftStore, "show").mockImplementation(() => {});
    withAnswers(<StoreEditor plan={first} />);
    return (): unknown => {
      const change: Change | undefined = commit.mock.lastCall?.[0];
      return change?.kind === "store" ? change.body : undefined;
    };
  }

  it("are its name, where it ships from, and the option that is chosen at first", async () => {
    const now = showStore();
    await write("Its name", "Quiet Paper");
    expect(now()).toMatchObject({ name: "Quiet Paper" });
    await userEvent.selectOptions(screen.getByLabelText("Goods are shipped from"), "no location named");
    expect(now()).not.toHaveProperty("shipsFrom");
    await userEvent.selectOptions(screen.getByLabelText("The option chosen at first"), "fastest-under");
    expect(now()).toMatchObject({ chosenAtFirst: { rule: "fastest-under", price: { byCurrency: {} } } });
    await userEvent.click(screen.getByLabelText(/just made cheaper is chosen instead/));
    expect(now()).not.toHaveProperty("choosesEarned");
    await write("Its name", " ");
    expect(screen.getByRole("alert").textContent).toBe("may not be empty");
  });

  it("has a price for the fastest option in every currency that is sold in", async () => {
    const price = { byCurrency: { EUR: "9.00" } };
    const now = showStore({ ...plan, store: { ...plan.store, chosenAtFirst: { rule: "fastest-under", price } } });
    await userEvent.click(screen.getByRole("button", { name: /^Price in Japan, JPY: not set/ }));
    await userEvent.keyboard("1500{Enter}");
    expect(now()).toMatchObject({ chosenAtFirst: { price: { byCurrency: { EUR: "9.00", JPY: "1500" } } } });
  });
});

describe("a location", () => {
  it("is told to those who collect there in their languages, and forgets what is emptied", async () => {
    const location = plan.locations?.find(({ id }) => id === "porto-shop");
    if (!location) throw new Error("the demo has no shop");
    const onLocation = vi.fn();
    render(
      <LocationEditor
        order={{ place: 0, of: 1, onMove: () => {} }}
        plan={plan}
        location={location}
        onLocation={onLocation}
        onShipsFrom={() => {}}
        onRemove={() => {}}
      />,
    );
    await write("Address, told to who collects in English", "Side door, 14 Paper Lane");
    expect(onLocation.mock.lastCall?.[0].address).toMatchObject({ en: "Side door, 14 Paper Lane" });
    await write("Told with the address in Portuguese", "");
    expect(onLocation.mock.lastCall?.[0].instructions).toEqual({ en: location.instructions?.en });
    await write("Postcode", "");
    expect(onLocation.mock.lastCall?.[0]).not.toHaveProperty("postcode");
    // Readers of Japanese do not collect in Porto.
    expect(screen.queryByLabelText("Name in Japanese")).toBeNull();
  });
});

describe("how far postcodes are", () => {
  const porto = plan.locations?.find(({ id }) => id === "porto-shop");
  if (!porto) throw new Error("the demo has no shop in Porto");
  /** The editor, with every table made by it put back into it. */
  function showTable(first: Location) {
    const tables = vi.fn<(table: Location["postcodeTable"]) => void>();
    function Edited() {
      const [location, setLocation] = useState(first);
      return (
        <PostcodeTableEditor
          location={location}
          onTable={(postcodeTable) => {
            tables(postcodeTable);
            const { postcodeTable: _, ...others } = location;
            setLocation(postcodeTable ? { ...others, postcodeTable } : others);
          }}
        />
      );
    }
    render(<Edited />);
    return () => tables.mock.lastCall?.[0];
  }
  const choose = (text: string) =>
    userEvent.upload(screen.getByLabelText("from a CSV file"), new File([text], "codes.csv", { type: "text/csv" }));

  it("cannot be told without a table; a file says it for those around, and what became of the others", async () => {
    const table = showTable(porto);
    expect(screen.getByText(/cannot be told by its postcode/)).toBeTruthy();
    await choose("name,lat,lon\nx,1,1\n");
    expect((await screen.findByRole("alert")).textContent).toContain("No column of postcodes");
    expect(table()).toBeUndefined();
    await choose("cp;lat;lon\n4000-123;41.15;-8.61\n1000-001;38.71;-9.14\n40;41.1;-8.6\n");
    await screen.findByText(/1 taken, one row farther away, one row that cannot be read \(row 4: “40”/);
    expect(table()).toEqual({ "4000-123": [41.15, -8.61] });
    expect(screen.getByText("0.6 km")).toBeTruthy();
  });

  it("is corrected by hand: one added, moved, taken out again", async () => {
    const table = showTable({ ...porto, postcodeTable: { "4000-123": [41.15, -8.61] } });
    await write("Add a postcode", "4050 999");
    expect(table()).toEqual({ "4000-123": [41.15, -8.61], "4050-999": porto.at });
    await write("Where 4050-999 lies", "41.2, -8.7");
    expect(table()?.["4050-999"]).toEqual([41.2, -8.7]);
    await write("Where 4050-999 lies", "95, 0");
    expect(screen.getByRole("alert").textContent).not.toBe("");
    await write("Add a postcode", "hello");
    expect(screen.getAllByRole("alert").map(({ textContent }) => textContent)).toContain("hello is no postcode of PT");
    await userEvent.click(screen.getByRole("button", { name: "Remove 4000-123" }));
    expect(Object.keys(table() ?? {})).toEqual(["4050-999"]);
    await userEvent.click(screen.getByRole("button", { name: "Remove all of them" }));
    expect(table()).toBeUndefined();
  });
});
