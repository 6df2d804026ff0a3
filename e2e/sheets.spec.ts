// For everyone: what opens on a screen, whatever the theme, the size or the text.
import { expectForEveryone } from './forEveryone';
import { atBothSizes, dueMove, expect, makeMove, open, sayKind, sayWhere, startRun, test } from './orchard';

atBothSizes((name, _viewport, journey) => {
  journey('phone')('the gate, the parts of a tree, and every sheet of marking', async ({ page, orchard }) => {
    test.setTimeout(300_000);
    await page.goto(orchard.url);
    await page.getByLabel('Who works on this device?').waitFor();
    await expectForEveryone(page, 'the gate', name === 'phone');
    await open(page, orchard.url);
    await page.goto(`${orchard.url}/round/net-loft-05`);
    for (const part of ['Shape', 'Tree']) {
      await page.getByRole('tab', { name: part }).click();
      await expectForEveryone(page, part, name === 'phone');
    }
    await page.goto(`${orchard.url}/round/lee-wall-07`);
    await page.getByRole('button', { name: 'New finding' }).click();
    await sayKind(page, 'Diseased', 'Cytospora canker');
    await sayWhere(page);
    await expectForEveryone(page, 'marking', name === 'phone');
    for (const sheet of ['Signs and causes', 'Scratch test', 'Girdling', 'Photo']) {
      await page.getByRole('button', { name: sheet, exact: true }).click();
      await expectForEveryone(page, sheet, name === 'phone');
      await page.keyboard.press('Escape');
    }
    await page.getByRole('button', { name: 'Why here, and other schools' }).click();
    await expectForEveryone(page, 'why', name === 'phone');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });
  journey('wide')('every card of a run', async ({ page, orchard }) => {
    test.setTimeout(300_000);
    await page.clock.install();
    await open(page, orchard.url, '/cut');
    await startRun(page, [/Lee wall 07/]);
    for (let cards = 0; cards < 12; cards++) {
      await expect(dueMove(page).or(page.getByText('Count the blades back in'))).toHaveCount(1);
      const title = await page.getByRole('heading', { level: 1 }).innerText();
      const move = (await dueMove(page).count()) > 0 ? await dueMove(page).innerText() : '';
      await expectForEveryone(page, `${title}, ${move}`, name === 'phone');
      if (move === '') return;
      await makeMove(page, move);
    }
    throw new Error('The run has no end.');
  });
});
