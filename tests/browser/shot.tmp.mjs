import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
const errors=[]; p.on('pageerror', e => errors.push(e.message)); p.on('console', m => m.type()==='error' && errors.push(m.text()));
const base='http://127.0.0.1:5071';
const who = process.argv[2];
await p.goto(base + '/sign-in'); await p.getByRole('button', { name: new RegExp(who) }).click(); await p.waitForURL(base + '/');
for (let i = 3; i < process.argv.length; i++) {
  const [cmd, ...rest] = process.argv[i].split('='); const arg = rest.join('=');
  if (cmd === 'go') { await p.goto(base + arg); await p.waitForTimeout(900); }
  else if (cmd === 'click') { await p.getByRole(arg.split('|')[0], { name: new RegExp(arg.split('|')[1]) }).first().click(); await p.waitForTimeout(500); }
  else if (cmd === 'key') { await p.keyboard.press(arg); await p.waitForTimeout(250); }
  else if (cmd === 'type') { await p.keyboard.type(arg); await p.waitForTimeout(600); }
  else if (cmd === 'css') { await p.locator(arg).first().click(); await p.waitForTimeout(400); }
  else if (cmd === 'shot') await p.screenshot({ path: `/tmp/shot/${arg}.png` });
  else if (cmd === 'full') await p.screenshot({ path: `/tmp/shot/${arg}.png`, fullPage: true });
  else if (cmd === 'wait') await p.waitForTimeout(+arg);
  else if (cmd === 'eval') console.log(await p.evaluate(arg));
}
if (errors.length) console.log('ERRORS', errors);
await b.close();
