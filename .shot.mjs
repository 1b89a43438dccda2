import { chromium } from "@playwright/test";
import { readFileSync } from "node:fs";
import { findCommand } from "./scripts/lib/install.mjs";
const [path, out, size = "1280x800", steps, who = "Maren Tolvik"] = process.argv.slice(2);
const [width, height] = size.split("x").map(Number);
const address = "http://127.0.0.1:3000";
const browser = await chromium.launch({ executablePath: findCommand("chromium"), args: ["--no-sandbox"] });
const context = await browser.newContext({ viewport: { width, height } });
const page = await context.newPage();
page.on("console", (m) => m.type() === "error" && console.log("console:", m.text().slice(0, 300)));
page.on("pageerror", (e) => console.log("pageerror:", e.message));
const password = readFileSync(".bathygon/demo/database/coach-password", "utf8").trim();
await page.request.post(`${address}/api/sign-in`, { data: { name: who, password }, headers: { origin: address } });
await page.goto(address + path);
await page.waitForTimeout(1500);
if (steps) { const { default: run } = await import(steps); await run(page); }
await page.waitForTimeout(500);
await page.screenshot({ path: out, fullPage: process.argv[7] === "full" });
await browser.close();
