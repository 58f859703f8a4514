import { chromium } from "@playwright/test";
const [,, out, w="1280", h="800", ...paths] = process.argv;
const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args:["--no-sandbox","--disable-gpu","--disable-dev-shm-usage"] });
const c = await b.newContext({ viewport:{width:+w,height:+h}, locale:"en-GB", baseURL: process.env.BASE ?? "http://127.0.0.1:3100" });
const p = await c.newPage();
p.on("console", m => { if (m.type()==="error"||m.type()==="warning") console.log("CONSOLE", m.type(), m.text().slice(0,600)); });
p.on("pageerror", e => console.log("PAGEERROR", e.message.slice(0,600)));
await p.goto("/sign-in"); 
if (paths[0]==="/sign-in") await p.screenshot({path:`${out}-signin.png`});
await p.fill('input[name=email]',"lead@boathouse.example"); await p.fill('input[name=password]',"three-bells-and-flour"); await p.click("button[type=submit]"); await p.waitForURL(u=>!u.pathname.includes("sign-in"));
await p.waitForSelector('table a'); const ids = {};
for (const a of await p.locator("table a[href^='/classes/']").all()) { const t=await a.textContent(); const href=await a.getAttribute("href"); const id=href.split("/")[2]; if (/Junior/.test(t)) ids.next=id; if(/Masters/.test(t)) ids.today=id; if(/waffles/.test(t)) ids.taught=id; }
for (const raw of paths) {
  if (raw==="/sign-in") continue;
  const [path, full] = raw.split("|");
  const url = path.replace(/:(next|today|taught)/, (_, k) => ids[k]);
  await p.goto(url); await p.waitForTimeout(700);
  await p.screenshot({ path: `${out}${path.replace(/[^a-z0-9]+/gi,"-")}.png`, fullPage: full==="full" });
}
await b.close();
