import { page, db, base, browser } from "./look.mjs";
await db.query("DELETE FROM draft_entities WHERE id='deep'");
const [[row]] = await db.query("SELECT body, revision FROM draft_entities WHERE kind='offer' AND id='heavy-paper'");
const offer = JSON.parse(row.body);
offer.when = { kind: "between", from: "2026-13-45" };
await page.addInitScript(([body, seen]) => { if (!sessionStorage.done) { sessionStorage.done = 1; localStorage.setItem("summant.unsaved", JSON.stringify([{ change: { kind: "offer", id: "heavy-paper", body }, seen }])); } }, [offer, row.revision]);
await page.goto(base + "/offers"); await page.waitForTimeout(3500);
await page.screenshot({ path: "/tmp/p1.png" });
await browser.close(); await db.end();
