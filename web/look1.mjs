import { page, done } from "./look.mjs";
const prove = () => page.getByRole("navigation", { name: "Stages" }).getByRole("button", { name: "Prove" }).click();
await page.getByRole("link", { name: /Tidemill House, three levels/i }).first().click();
await prove();
await page.waitForTimeout(1500);
await page.getByRole("combobox", { name: "Level" }).click();
await page.getByRole("option").last().click();
await page.waitForTimeout(1500);
await page.screenshot({ path: "/tmp/p0.png" }); await page.getByRole("button",{name:"The next finding"}).click(); for (let i=0;i<14;i++){ const t=await page.getByRole("region",{name:"Finding"}).textContent(); if(/Flat/.test(t)) break; await page.keyboard.press("]"); await page.waitForTimeout(200);}
await page.waitForTimeout(800);
await page.screenshot({ path: "/tmp/p1.png" });
await page.getByRole("button", { name: "Rulebooks" }).click();
await page.waitForTimeout(800);
await page.screenshot({ path: "/tmp/p2.png" });
await done();
