import { expect, type Locator } from '@playwright/test';

const optionIn = (list: Locator, option: string | { label: string }): Locator =>
  typeof option === 'string'
    ? list.locator(`[role="option"][data-value="${option}"]`)
    : list.getByRole('option', { name: option.label, exact: true });

/**
 * Opens a list and takes one of it, by what it means or by what it says. A list takes no click that comes before it listens, as on a machine
 * with much else to do: it is clicked again, as anybody would.
 */
export async function choose(field: Locator, option: string | { label: string }): Promise<void> {
  await field.click();
  const list = field.page().getByRole('listbox');
  await expect(list).toBeVisible();
  await expect(async () => {
    if ((await list.count()) > 0) await optionIn(list, option).click({ timeout: 5_000 });
    await expect(list).toHaveCount(0, { timeout: 2_000 });
  }).toPass({ timeout: 60_000 });
}

/** What a list offers, as it is read; it is closed again as it was. */
export async function offered(field: Locator): Promise<string[]> {
  await field.click();
  const list = field.page().getByRole('listbox');
  await expect(list).toBeVisible();
  const words = await list.getByRole('option').allInnerTexts();
  await field.page().keyboard.press('Escape');
  await expect(list).toHaveCount(0);
  return words;
}

/** What is chosen, by what it means. */
export const expectChosen = (field: Locator, option: string) =>
  expect(field).toHaveAttribute('data-value', option);
