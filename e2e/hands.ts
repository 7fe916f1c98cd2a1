import { type CDPSession, type Page } from '@playwright/test';
import { arrived, expect } from './house';

/** Presses of one key before somebody would give up. */
const PATIENCE = 80;

/** Keeps everything that a screen reader is told to say of its own accord. */
function listen() {
  const heard: string[] = [];
  Object.assign(window, { heard });
  const LIVE = '[role=status], [role=alert], [aria-live=polite], [aria-live=assertive]';
  new MutationObserver((changes) => {
    for (const { target } of changes) {
      const at = target instanceof Element ? target : target.parentElement;
      const live = [at?.closest(LIVE), ...(at?.querySelectorAll(LIVE) ?? [])];
      for (const each of live) {
        const text = each?.textContent?.trim();
        if (text && heard.at(-1) !== text) heard.push(text);
      }
    }
  }).observe(document, { subtree: true, childList: true, characterData: true });
}

/** Hands on a keyboard, of somebody who sees nothing: what has the focus is known by role and name alone. */
export class Hands {
  private constructor(
    private readonly page: Page,
    private readonly tree: CDPSession,
  ) {}

  /** Comes to a page; from there on no address is typed and nothing is pointed at. */
  static async at(page: Page, address: string): Promise<Hands> {
    await page.addInitScript(listen);
    const tree = await page.context().newCDPSession(page);
    await page.goto(address);
    const hands = new Hands(page, tree);
    await arrived(page);
    return hands;
  }

  /** What a screen reader says of what has the focus. */
  async focus(): Promise<{ role: string; name: string }> {
    const { result } = await this.tree.send('Runtime.evaluate', {
      expression: 'document.activeElement',
    });
    const { nodes } = await this.tree.send('Accessibility.getPartialAXTree', {
      objectId: result.objectId ?? '',
      fetchRelatives: false,
    });
    const text = (value: unknown) => (typeof value === 'string' ? value : '');
    return { role: text(nodes[0]?.role?.value), name: text(nodes[0]?.name?.value) };
  }

  /** Presses a key until something is reached; fails when somebody would have given up. */
  async reach(role: string, name: RegExp, key = 'Tab'): Promise<void> {
    const passed: string[] = [];
    for (let i = 0; i < PATIENCE; i += 1) {
      const focus = await this.focus();
      if (focus.role === role && name.test(focus.name)) return;
      passed.push(`${focus.role} “${focus.name.slice(0, 60)}”`);
      await this.page.keyboard.press(key);
    }
    throw new Error(`${role} ${name} was not reached; passed: ${passed.join(', ')}`);
  }

  /** Reaches something and presses Enter on it. */
  async use(role: string, name: RegExp, key = 'Tab'): Promise<void> {
    // What is to come may need a moment before it stands there.
    await expect(async () => this.reach(role, name, key)).toPass({ timeout: 60_000 });
    await this.page.keyboard.press('Enter');
  }

  /** Past menu and time rail: from the top of the page to what stands in it. */
  async skipToContent(): Promise<void> {
    await this.use('link', /^Skip to content$/);
  }

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) await this.page.keyboard.press(key);
  }

  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
  }

  /** Waits until something has been said of its own accord. */
  async hear(what: RegExp, timeout = 30_000): Promise<void> {
    const all = async () =>
      (await this.page.evaluate(() => (window as unknown as { heard: string[] }).heard)).join('\n');
    await expect.poll(all, { timeout }).toMatch(what);
  }

  /** A page has come: its title has the focus, so it is read out. */
  async arrive(title: RegExp): Promise<void> {
    const spoken = async () => Object.values(await this.focus()).join(' ');
    await expect
      .poll(spoken, { timeout: 30_000 })
      .toMatch(new RegExp(`^heading .*(${title.source})`));
    await arrived(this.page);
  }

  /** Walks along with the arrow keys, right and then down a row, until something is reached. */
  async walkTo(name: RegExp): Promise<void> {
    for (let row = 0; row < PATIENCE; row += 1) {
      let before = '';
      for (let now = (await this.focus()).name; now !== before; now = (await this.focus()).name) {
        if (name.test(now)) return;
        before = now;
        await this.press('ArrowRight');
      }
      await this.press('ArrowDown', ...Array<string>(30).fill('ArrowLeft'));
    }
    throw new Error(`${name} was not reached by walking`);
  }

  /** A dialog has come up, and says what it is. */
  async inDialog(name: RegExp): Promise<void> {
    await expect
      .poll(async () => Object.values(await this.focus()).join(' '))
      .toMatch(new RegExp(`^dialog ${name.source}`));
  }
}
