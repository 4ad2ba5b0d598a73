// A PDF of a sheet of 60 steps with 30 figures by the server, beside the same browser printing as many plain paragraphs and pictures.
// After ./test has built everything: node bench/pdf.mjs
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { at, withLongSheet } from './longSheet.mjs';

const demo = JSON.parse(readFileSync(join(dirname(fileURLToPath(import.meta.url)), '../demo/front-hub-bearing.json'), 'utf8'));
const figure = demo.sheet.phases
  .flatMap((p) => p.steps)
  .find((s) => s.shows?.some((f) => f.picture))
  .shows.find((f) => f.picture);
const [picture] = demo.pictures.filter((p) => p.key === figure.picture.key);
const texts = Array.from(
  { length: 60 },
  (_, i) => `Clean face ${i + 1} with brake cleaner and wipe it dry with a clean rag; look for nicks.`,
);
const procedure = {
  format: 'wornpath-procedure',
  version: demo.version,
  number: 'B-2',
  title: 'Sixty steps, thirty figures',
  sheet: {
    phases: [
      {
        id: 'h1',
        name: 'Cleaning',
        // The picture once for each step that shows it, as the plain page does.
        steps: texts.map((text, i) => ({
          id: `s${i}`,
          text,
          ...(i % 2 ? { shows: [{ id: `f${i}`, picture: figure.picture, alt: `face ${i + 1}` }] } : {}),
        })),
      },
    ],
  },
  pictures: [picture],
};
const folder = mkdtempSync(join(tmpdir(), 'wornpath-pdf-'));
const page = join(folder, 'plain.html');
const image = `<img style="width:46%" src="data:image/svg+xml;base64,${picture.data}">`;
writeFileSync(page, `<!doctype html><title>Plain</title>${texts.map((text, i) => `<p>${text}</p>${i % 2 ? image : ''}`).join('')}`);

const plain = () => {
  const from = Date.now();
  const out = join(folder, 'plain.pdf');
  const args = ['--headless', '--no-sandbox', '--disable-gpu', `--user-data-dir=${mkdtempSync(join(folder, 'profile-'))}`];
  execFileSync('/usr/bin/chromium', [...args, '--no-pdf-header-footer', `--print-to-pdf=${out}`, `file://${page}`], { stdio: 'ignore' });
  if (statSync(out).size < 5000) throw new Error('The plain page printed nothing.');
  return Date.now() - from;
};

await withLongSheet(async (tab, sheet) => {
  const ours = () =>
    tab.evaluate(
      async (id) => {
        const from = performance.now();
        const { token } = await (await fetch('/api/session')).json();
        let ticket = await (
          await fetch(`/api/revisions/${id}/pdf?paper=A4`, { method: 'POST', headers: { 'X-CSRF-TOKEN': token } })
        ).json();
        while (ticket.state === 'waiting' || ticket.state === 'printing') {
          await new Promise((r) => setTimeout(r, 20));
          ticket = await (await fetch(`/api/pdf/${ticket.ticket}`)).json();
        }
        if (ticket.state !== 'ready') throw new Error(JSON.stringify(ticket));
        return performance.now() - from;
      },
      Number(sheet.split('/').at(-1)),
    );
  const [made, bare] = [[], []];
  for (let i = 0; i < 7; i++) {
    made.push(await ours());
    bare.push(plain());
  }
  const ratio = at(made, 0.5) / at(bare, 0.5);
  console.log(
    `a PDF of 60 steps with 30 figures ${at(made, 0.5).toFixed(0)} ms, as much plain ${at(bare, 0.5).toFixed(0)} ms: ${ratio.toFixed(2)} (at most 2)`,
  );
  if (ratio > 2) process.exitCode = 1;
}, procedure);
rmSync(folder, { recursive: true });
