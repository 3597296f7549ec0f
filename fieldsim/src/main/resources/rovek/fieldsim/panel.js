const byId = (id) => document.getElementById(id);

let words = {};

/** The browser's language, or ?language=de; English where the stand-in does not speak it. */
async function learn() {
  const wanted = [new URLSearchParams(location.search).get('language') ?? '', ...navigator.languages].map((one) => one.slice(0, 2));
  const answers = await Promise.all(wanted.map((one) => (/^[a-z]{2}$/.test(one) ? fetch(`words/${one}.json`) : null)));
  const spoken = answers.findIndex((answer) => answer?.ok);
  words = await (spoken < 0 ? await fetch('words/en.json') : answers[spoken]).json();
  document.documentElement.lang = spoken < 0 ? 'en' : wanted[spoken];
  document.title = word('title');
  document.querySelectorAll('[data-word]').forEach((element) => { element.textContent = word(element.dataset.word); });
}

function filled(message, values) {
  return Object.entries(values).reduce((text, [name, value]) => text.replaceAll(`{${name}}`, said(value)), message);
}

const word = (key, values = {}) => filled(words[`panel.${key}`] ?? key, values);

/** A sentence comes as its key and values; one that has no words here is told by its key. */
function said(value) {
  if (value === null || typeof value !== 'object') return String(value);
  if (value.key === 'base.plain') return value.values.text;
  return words[value.key] ? filled(words[value.key], value.values) : [value.key, ...Object.values(value.values).map(said)].join(' ');
}

async function call(path, body) {
  const answer = await fetch(path, body === undefined ? {} : { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
  show(await answer.json());
}

function cell(row, ...children) {
  const td = row.insertCell();
  td.append(...children);
}

function button(text, act) {
  const b = document.createElement('button');
  b.textContent = text;
  b.onclick = act;
  return b;
}

async function measure(stop) {
  await call(`/api/stops/${stop.id}/begin`, {});
  await new Promise((done) => setTimeout(done, 300));
  await call(`/api/stops/${stop.id}/measure`, {});
}

function stopRow(stop) {
  const row = document.createElement('tr');
  row.dataset.stop = `${stop.assetTag} ${stop.point} ${stop.check}`;
  const said = document.createElement('div');
  said.className = 'said';
  said.textContent = stop.instruction;
  cell(row, `${stop.assetTag} ${stop.point}, ${stop.check}`, ...(stop.instruction ? [said] : []), ...(stop.picture ? [pictureOf(stop)] : []));
  const progress = word(stop.progress);
  cell(row, stop.readings > 1 ? word('repeated', { progress, times: stop.readings - 1 }) : progress);
  const note = document.createElement('input');
  note.value = stop.note;
  note.setAttribute('aria-label', word('noteFor', { stop: row.dataset.stop }));
  note.onchange = () => call(`/api/stops/${stop.id}/note`, { note: note.value });
  cell(row, note);
  cell(row, button(word(stop.progress === 'DONE' ? 'repeat' : 'measure'), () => measure(stop)), ' ',
    skipping(stop, note));
  return row;
}

/** Why it is skipped is chosen from the reasons that came with the route; a reason of one's own is the note. */
function skipping(stop, note) {
  const reasons = document.createElement('select');
  reasons.setAttribute('aria-label', word('skipStop', { stop: `${stop.assetTag} ${stop.point}` }));
  reasons.append(new Option(word('skip'), ''), ...skipReasons.map((reason) => new Option(reason, reason)), new Option(word('otherReason'), 'other'));
  reasons.onchange = () => call(`/api/stops/${stop.id}/skip`, { note: reasons.value === 'other' ? note.value : reasons.value });
  return reasons;
}

function pictureOf(stop) {
  const picture = document.createElement('img');
  picture.src = `/${stop.picture}`;
  picture.alt = `${stop.assetTag} ${stop.point}`;
  return picture;
}

let skipReasons = [];

function show(state) {
  skipReasons = state.skipReasons;
  byId('name').textContent = word(state.serial ? 'named' : 'unnumbered', { model: state.model, serial: state.serial });
  byId('state').textContent = word('state', {
    firmware: state.firmware,
    battery: state.battery,
    clock: state.clock.replace('T', ' ').slice(0, 19),
    free: (state.freeBytes / 1e6).toLocaleString(document.documentElement.lang, { minimumFractionDigits: 1, maximumFractionDigits: 1 }),
  });
  byId('problem').textContent = said(state.problem);
  byId('route').textContent = state.route || word('noRoute');
  byId('setup').hidden = !state.setup.name;
  byId('setup-name').textContent = word('setup', { name: state.setup.name });
  byId('setup-says').textContent = state.setup.says;
  byId('setup-rows').replaceChildren(...state.setup.rows.map((row) => Object.assign(document.createElement('li'), { textContent: row })));
  byId('walk-all').disabled = state.stops.length === 0;
  byId('stops').replaceChildren(...state.stops.map(stopRow));
  if (byId('loose-technique').options.length === 0) byId('loose-technique').append(...state.techniques.map((technique) => new Option(words[`technique.${technique}`] ?? technique, technique)));
  byId('run').hidden = !state.recordsRuns;
  byId('run').textContent = word(state.runGoesOn ? 'endRun' : 'startRun');
  byId('run').dataset.begins = String(!state.runGoesOn);
  byId('loose-list').textContent = state.loose.length ? word('loose', { readings: state.loose.length }) : '';
}

byId('walk-all').onclick = () => call('/api/walk-all', {});
byId('run').onclick = () => call('/api/run', { begin: byId('run').dataset.begins === 'true' });
byId('loose').onclick = () => call('/api/loose', {
  assetTag: byId('loose-tag').value, point: byId('loose-point').value, technique: byId('loose-technique').value, unnamed: byId('loose-unnamed').checked,
});
byId('clock').onclick = () => call('/api/clock-error', { seconds: Number(byId('clock-seconds').value) });
byId('cut').onclick = () => call('/api/faults', { cutAfterBytes: Number(byId('cut-bytes').value) });
byId('corrupt').onclick = () => call('/api/faults', { corrupt: true });
byId('full').onclick = () => call('/api/faults', { memoryFull: true });
byId('slow').onclick = () => call('/api/faults', { slowMillis: 1500 });
byId('well').onclick = () => call('/api/faults', {});
learn().then(() => call('/api/state'));
setInterval(() => { if (!(document.activeElement instanceof HTMLInputElement || document.activeElement instanceof HTMLSelectElement)) call('/api/state'); }, 3000);
