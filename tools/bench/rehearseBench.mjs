const MOST_S = 10;
const TIMES = 3;

/**
 * The demo house's plan of the next seven days in 200 futures: from the press, on a page that has come, until its
 * odds stand on it.
 *
 * @param {() => Promise<import('@playwright/test').Page>} desk @param {string} url
 * @param {(text: string) => void} say
 * @returns {Promise<boolean>} whether it is in time
 */
export async function rehearse(desk, url, say) {
  const page = await desk();
  try {
    await page.goto(`${url}/lantern-yard/plan/rehearsal`, { waitUntil: 'networkidle' });
    const odds = page.getByRole('region', { name: 'That hardly any guest is sent away' });
    const times = [];
    for (let i = 0; i < TIMES; i += 1) {
      const fromMs = performance.now();
      await page.getByRole('button', { name: /^Rehearse/ }).click();
      await page.getByRole('button', { name: 'Stop' }).waitFor();
      await odds.waitFor({ timeout: 10 * MOST_S * 1000 });
      times.push((performance.now() - fromMs) / 1000);
    }
    const most = Math.max(...times);
    say(
      `The next seven days rehearsed in 200 futures, in a worker (≤ ${MOST_S} s): ${times.map((s) => s.toFixed(1)).join(', ')} s (${most <= MOST_S ? 'met' : 'MISSED'})`,
    );
    return most <= MOST_S;
  } finally {
    await page.close();
  }
}
