import { page, done } from "./look.mjs";
await page.getByRole("link", { name: /Tidemill House, three levels/i }).first().click();
await page.getByRole("navigation", { name: "Stages" }).getByRole("button", { name: "Prove" }).click();
await page.waitForTimeout(1500);
await page.getByRole("combobox", { name: "Level" }).click();
console.log(await page.getByRole("option").allTextContents());
await page.getByRole("option", {name:/Flat|Second|Top|roof/i}).first().click();
await page.waitForTimeout(1500);
await page.getByRole("button",{name:"The next finding"}).click(); for (let i=0;i<30;i++){ await page.keyboard.press("]"); await page.waitForTimeout(150); const t=await page.getByRole("region",{name:"Finding"}).textContent(); if(/home/.test(t)) break; }
await page.waitForTimeout(500);
await page.screenshot({ path: "/tmp/p1.png" });
await done();
