const byId = (id) => document.getElementById(id);

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
  cell(row, stop.progress + (stop.readings > 1 ? `, repeated ${stop.readings - 1}×` : ''));
  const note = document.createElement('input');
  note.value = stop.note;
  note.setAttribute('aria-label', `Note for ${row.dataset.stop}`);
  note.onchange = () => call(`/api/stops/${stop.id}/note`, { note: note.value });
  cell(row, note);
  cell(row, button(stop.progress === 'done' ? 'Repeat' : 'Measure', () => measure(stop)), ' ',
    skipping(stop, note));
  return row;
}

/** Why it is skipped is chosen from the reasons that came with the route; a reason of one's own is the note. */
function skipping(stop, note) {
  const reasons = document.createElement('select');
  reasons.setAttribute('aria-label', `Skip ${stop.assetTag} ${stop.point}`);
  reasons.append(new Option('Skip…', ''), ...skipReasons.map((reason) => new Option(reason, reason)), new Option('Other, see note', 'other'));
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
  byId('name').textContent = `${state.model}, no. ${state.serial}`;
  byId('state').textContent = `Firmware ${state.firmware} · battery ${state.battery} % · clock ${state.clock.replace('T', ' ').slice(0, 19)} UTC`
    + ` · ${(state.freeBytes / 1e6).toFixed(1)} MB free`;
  byId('problem').textContent = state.problem;
  byId('route').textContent = state.route || 'No route loaded';
  byId('setup').hidden = !state.setup.name;
  byId('setup-name').textContent = `Set-up: ${state.setup.name}`;
  byId('setup-says').textContent = state.setup.says;
  byId('setup-rows').replaceChildren(...state.setup.rows.map((row) => Object.assign(document.createElement('li'), { textContent: row })));
  byId('walk-all').disabled = state.stops.length === 0;
  byId('stops').replaceChildren(...state.stops.map(stopRow));
  if (byId('loose-technique').options.length === 0) byId('loose-technique').append(...state.techniques.map((technique) => new Option(technique, technique)));
  byId('run').hidden = !state.recordsRuns;
  byId('run').textContent = state.runGoesOn ? 'End the run' : 'Start a run';
  byId('loose-list').textContent = state.loose.length ? `${state.loose.length} kept` : '';
}

byId('walk-all').onclick = () => call('/api/walk-all', {});
byId('run').onclick = () => call('/api/run', { begin: byId('run').textContent === 'Start a run' });
byId('loose').onclick = () => call('/api/loose', {
  assetTag: byId('loose-tag').value, point: byId('loose-point').value, technique: byId('loose-technique').value, unnamed: byId('loose-unnamed').checked,
});
byId('clock').onclick = () => call('/api/clock-error', { seconds: Number(byId('clock-seconds').value) });
byId('cut').onclick = () => call('/api/faults', { cutAfterBytes: Number(byId('cut-bytes').value) });
byId('corrupt').onclick = () => call('/api/faults', { corrupt: true });
byId('full').onclick = () => call('/api/faults', { memoryFull: true });
byId('slow').onclick = () => call('/api/faults', { slowMillis: 1500 });
byId('well').onclick = () => call('/api/faults', {});
call('/api/state');
setInterval(() => { if (!(document.activeElement instanceof HTMLInputElement || document.activeElement instanceof HTMLSelectElement)) call('/api/state'); }, 3000);
