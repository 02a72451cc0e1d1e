import { page, db, base, browser } from "./look.mjs";
const [[row]] = await db.query("SELECT body, revision FROM draft_entities WHERE kind='offer' AND id='heavy-paper'");
const offer = JSON.parse(row.body);
offer.when = { kind: "between", from: "2026-13-45" };
await page.goto(base + "/offers"); await page.waitForTimeout(1500);
await page.evaluate(([body, seen]) => localStorage.setItem("summant.unsaved", JSON.stringify([{ change: { kind: "offer", id: "heavy-paper", body }, seen }])), [offer, row.revision]);
await page.goto(base + "/offers"); await page.waitForTimeout(3000);
await page.screenshot({ path: "/tmp/p1.png" });
// unreadable
await db.query("INSERT INTO draft_entities (kind,id,position,body,revision) VALUES ('condition','deep',0,?,1)", [JSON.stringify({ id: "deep", name: "Deep", when: Array.from({length:100}).reduce((of)=>({kind:"not",of}), {kind:"signed-in"}) })]);
await page.evaluate(() => localStorage.removeItem("summant.unsaved"));
await page.evaluate(() => localStorage.setItem("summant.standpoint", JSON.stringify({country:"P1",region:"",postcode:"",currency:"XXX",locale:"not a locale",shopper:null,moment:"2026-99-99T00:00",moods:{}})));
await page.goto(base + "/places"); await page.waitForTimeout(3000);
await page.screenshot({ path: "/tmp/p2.png" });
await browser.close(); await db.end();
