import { expect, field, quickStart, test, visit } from './app.ts';

test('pressures come first, axle by axle, with what they do to the height; then toe, and which way each rod turns', async ({
  page,
}) => {
  const id = await quickStart(page, 'Pressures', ['340', '338', '352', '351'], '350', '360');
  await visit(page, `/jobs/${id}/prep`);
  const fill = async (label: string, value: string) => {
    await field(page, label).fill(value);
    await page.keyboard.press('Tab');
  };
  await fill('Wanted, front', '0.8');
  await fill('Wanted, rear', '1.2');
  for (const [label, bar] of [
    ['Front left', '1.3'],
    ['Front right', '0.8'],
    ['Rear left', '1.2'],
    ['Rear right', '1.2'],
  ] as const)
    await fill(label, bar);
  await expect(page.getByTestId('pressure-LF')).toContainText('let out 0.5 bar');
  await expect(page.getByTestId('pressure-LF')).toContainText(/stands about \d+ mm too high, estimated/);
  await expect(page.getByText('as wanted')).toHaveCount(3);
  await expect(page.getByTestId('asked-tyre-not-as-wanted')).toContainText('Set the pressure first');
  await fill('Front left', '0.8');
  await expect(page.getByTestId('asked')).toHaveCount(0);

  await visit(page, `/jobs/${id}/close-out`);
  await page.getByRole('button', { name: /^Toe/ }).click();
  const toe = page.getByRole('region', { name: 'Toe' });
  for (const [label, value] of [
    ['At the tyres’ front', '1558'],
    ['At the tyres’ rear', '1543'],
    ['Toe-in wanted', '0'],
    ['Tyre diameter', '740'],
    ['Steering arm', '120'],
    ['Tie rod pitch', '1.5'],
  ] as const)
    await fill(label, value);
  await expect(page.getByTestId('toe')).toContainText('Total toe 15 mm out.');
  await expect(page.getByTestId('toe')).toContainText('turn for more toe-in, both alike.');
  await expect(toe).toContainText('Say where the tie rods are: then it says which way.');
  await toe.getByLabel('Tie rods', { exact: true }).selectOption('ahead of the axle');
  await toe.getByLabel('Left rod’s thread').selectOption('right-hand');
  await toe.getByLabel('Right rod’s thread').selectOption('left-hand');
  await expect(page.getByTestId('rod-ways')).toHaveText(
    'Both rods shorter; left rod: its top turns to the front; right rod: its top turns to the front.',
  );
  await toe.getByLabel('Tie rods', { exact: true }).selectOption('behind the axle');
  await expect(page.getByTestId('rod-ways')).toContainText(
    'Both rods longer; left rod: its top turns to the rear',
  );
});
