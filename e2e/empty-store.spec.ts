import { expect, test } from "./demo-store.ts";
import { lookAt, lookFrom, option, priceOf, saved, shopper, startFromNothing } from "./shopper.ts";

/** The provinces whose addresses the south serves are what is left when the territories are carved out. */
const TERRITORIES = ["CA-NT", "CA-NU", "CA-YT"];

test("by mouse from an empty store: Canada with its territories, two goals, bands by weight, a round with windows, collection, a notice; seen by four shoppers", async ({
  page,
}) => {
  await startFromNothing(page, "Maple Thread");

  const type = async (label: string, text: string) => {
    const field = page.getByLabel(label, { exact: true }).last();
    await field.fill(text);
    await field.press("Enter");
  };
  // Places: a market in dollars, the south, the territories, a shop that is open on weekdays.
  await page.getByRole("button", { name: "Add a market" }).click();
  await type("Name", "Canada");
  await page.getByRole("textbox", { name: "Currencies, home first" }).fill("CAD");
  await page.keyboard.press("Enter");
  await page.getByLabel("Time zone", { exact: true }).fill("America/Toronto");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Add a zone to Canada" }).click();
  await type("Name", "Southern provinces");
  await page.getByLabel("Country to add").selectOption("CA");
  await page.getByRole("button", { name: "Add all of Canada" }).click();
  for (const code of TERRITORIES) await page.getByLabel("Carve out a region").selectOption(code);
  await page.getByRole("button", { name: "Add a zone to Canada" }).click();
  await type("Name", "Territories");
  for (const code of TERRITORIES) {
    await page.getByLabel("Country to add").selectOption("CA");
    await page.getByLabel("Region to add").selectOption(code);
  }
  await page.getByRole("button", { name: "Add a location" }).click();
  await type("Name in English", "Thread shop");
  await type("Address, told to who collects in English", "5 Bobbin Street, Toronto");
  await type("Told with the address in English", "Ask at the counter.");
  await type("Latitude and longitude, in degrees", "43.65, -79.38");
  await page.locator("main").getByLabel("Country", { exact: true }).selectOption("CA");
  await type("Postcode", "M5V 2T6");
  // Where postcodes lie, so that a typed one says how far it is: those around the shop, of a file of the whole country.
  const far = ["V5K 0A1,49.28,-123.04", "H2X 1Y4,45.51,-73.57"];
  await page.getByLabel("from a CSV file").setInputFiles({
    ...{ name: "postcodes.csv", mimeType: "text/csv" },
    buffer: Buffer.from(["postal_code,latitude,longitude", "m5v3l9,43.64,-79.42", ...far].join("\n")),
  });
  await expect(page.getByRole("region", { name: "How far postcodes are" })).toContainText(
    "1 taken, 2 rows farther away",
  );
  await saved(page);

  // Delivery: bands by weight for all of Canada, the shop's own round of 10 km with windows, collection.
  await page.getByRole("link", { name: "Delivery" }).click();
  await lookFrom(page, "CA", "M5V 3L9");
  const add = page.getByLabel("Add an option");
  await add.selectOption("by-weight");
  const where = page.getByRole("group", { name: "Where it is offered" });
  await where.getByRole("checkbox", { name: "Territories" }).check();
  await add.selectOption("local");
  await page.getByRole("textbox", { name: /As the crow flies, within/ }).fill("10");
  await page.keyboard.press("Enter");
  await page.getByLabel(/^Windows to pick from/).selectOption({ label: "Thread shop" });
  await page.getByLabel("Orders that window 1 holds").fill("3");
  await page.keyboard.press("Enter");
  await add.selectOption("collect");
  await saved(page);

  // Offers: two goals, the second dearer in the territories.
  await page.getByRole("link", { name: "Offers" }).click();
  await page.getByRole("button", { name: "Add an offer" }).click();
  await page.getByRole("group", { name: "Zones it holds in" }).getByRole("checkbox", { name: "Territories" }).check();
  await page.getByRole("button", { name: "Add a step" }).click();
  const goals = page.getByRole("region", { name: /^Goals of/ }).last();
  const goal = async (place: string, step: number, amount: string) => {
    await goals.getByRole("button", { name: new RegExp(`^Goal of step ${step} in ${place}, CAD:`) }).click();
    await goals.getByRole("textbox", { name: `Goal of step ${step} in ${place}, CAD` }).fill(amount);
    await page.keyboard.press("Enter");
  };
  await goal("Canada", 1, "60");
  await goal("Canada", 2, "120");
  await goals.getByRole("button", { name: /^Other amounts in one zone/ }).click();
  await goals.getByLabel(/^Zone apart/).selectOption({ label: "Territories" });
  await goal("Territories", 1, "150");
  await page.getByRole("button", { name: "Switch on" }).click();
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText("CA$60 (CA$150 in Territories)");
  await page.getByRole("link", { name: "What shoppers read about it" }).click();
  await saved(page);

  // A notice on every page, in the territories alone.
  await page.getByRole("button", { name: "Notices" }).click();
  await page.getByRole("button", { name: "Add a notice" }).click();
  await type("What it says in English", "Flights north run two days late.");
  await page.getByRole("checkbox", { name: "in the checkout" }).check();
  await page.getByText("Wherever the store sells", { exact: true }).click();
  await page
    .getByRole("group", { name: /^Where it is told/ })
    .getByRole("checkbox", { name: "Territories" })
    .check();
  await saved(page);

  // Four shoppers, on a Tuesday morning.
  await lookAt(page, "2026-12-01T08:00");
  await lookFrom(page, "CA", "M5V 3L9");
  await expect(shopper(page)).toContainText("5 Bobbin Street, Toronto");
  await expect(priceOf(page, "parcel")).toBeVisible();
  await expect(shopper(page)).not.toContainText("Flights north");
  // Whose postcode lies 3 km from the shop has the round, with this week's windows to pick from.
  await expect(page.getByRole("button", { name: /^Distance:/ })).toContainText(
    "3.4 km from Thread shop by its postcode",
  );
  await expect(priceOf(page, "our-own-round")).toBeVisible();
  await shopper(page).getByRole("tab", { name: "Checkout" }).click();
  await expect(shopper(page)).toContainText("Ask at the counter.");
  await expect(option(page, "our-own-round").getByRole("option", { name: /Dec 2/ })).toHaveCount(1);
  // In the territories there is the parcel alone, and what is told there.
  await lookFrom(page, "CA", "X1A 2P5");
  await expect(shopper(page)).toContainText("Flights north run two days late.");
  await expect(option(page, "our-own-round")).toHaveCount(0);
  await lookFrom(page, "US", "10001");
  await expect(shopper(page)).toContainText("We do not deliver to");
});
