/*
 * What can be measured on a page as it stands, or in the dialog over it. Each runs in the browser by itself, so that it
 * uses nothing from around it.
 */

/** How far the page, or the dialog over it, goes sideways, px. */
export function sideways(): number {
  const main = document.querySelector('[role=dialog]') ?? document.querySelector('main');
  return main ? main.scrollWidth - main.clientWidth : 0;
}

/** Letters under 14 px, and keys of the catalogue that nobody has put into words. */
export function wrongTexts(): { readonly small: string[]; readonly keys: string[] } {
  const over = document.querySelector('[role=dialog]');
  const walker = document.createTreeWalker(over ?? document.body, NodeFilter.SHOW_TEXT);
  const small = new Set<string>();
  const keys = new Set<string>();
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const text = node.textContent?.trim() ?? '';
    const element = node.parentElement;
    if (text === '' || !element || element.closest('style, script, noscript, .sr-only')) continue;
    const { fontSize, visibility, display } = getComputedStyle(element);
    const px = Number.parseFloat(fontSize);
    // What is not written at all on a small screen has no size.
    if (px > 0 && px < 14 && visibility !== 'hidden' && display !== 'none')
      small.add(`${px}: ${text}`);
    if (/^[a-z]+(\.[a-zA-Z-]+){1,4}$/.test(text)) keys.add(text);
  }
  return { small: [...small].slice(0, 5), keys: [...keys].slice(0, 5) };
}

/** What is under so many px to hit, and what covers something else that is to be hit. */
export function wrongTargets(least: number): {
  readonly narrow: string[];
  readonly covering: string[];
} {
  const over = document.querySelector('[role=dialog]');
  const main = over ?? document.querySelector('main');
  const TARGETS = 'a[href], button, input, select, textarea, [role=tab], [role=combobox], summary';
  const targets = [...(over ?? document).querySelectorAll(TARGETS)]
    .filter((element) => {
      // Links in a sentence are as high as its line, sliders as long as they are; what is hidden is not hit.
      const isInText = element.matches('a') && getComputedStyle(element).display === 'inline';
      const isOther = element.matches(
        '[type=range], [type=file], [aria-hidden=true], [class*=skip]',
      );
      return !isInText && !isOther && element.checkVisibility({ visibilityProperty: true });
    })
    .map((element) => {
      const around = element.matches('input, textarea, [role=combobox]')
        ? (element.closest('label') ?? element.closest('.MuiInputBase-root, .MuiSwitch-root'))
        : null;
      const whole = around ?? element;
      return { element, whole, box: whole.getBoundingClientRect() };
    });
  const sideOf = ({ width, height }: DOMRect): number => Math.round(Math.min(width, height));
  const narrow = targets.filter(({ box }) => sideOf(box) > 0 && sideOf(box) < least);

  // What stays where it is while the page goes by covers it for a while; what was scrolled away covers nothing.
  const isInPlace = ({ element, box }: { element: Element; box: DOMRect }): boolean => {
    const middle = (box.top + box.bottom) / 2;
    for (let each: Element | null = element; each && each !== main; each = each.parentElement) {
      const { position, overflowY } = getComputedStyle(each);
      if (/sticky|fixed/.test(position)) return false;
      const { top, bottom } = each.getBoundingClientRect();
      if (overflowY !== 'visible' && (middle < top || middle > bottom)) return false;
    }
    return true;
  };
  const across = (a: DOMRect, b: DOMRect): number =>
    Math.min(a.right, b.right) - Math.max(a.left, b.left);
  const down = (a: DOMRect, b: DOMRect): number =>
    Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
  const ofPage = targets.filter(({ element }) => main?.contains(element));
  const covering = ofPage.flatMap((one, i) =>
    ofPage
      .slice(i + 1)
      .filter((other) => across(one.box, other.box) > 4 && down(one.box, other.box) > 4)
      // A field's own buttons are within it.
      .filter((other) => !one.whole.contains(other.element) && !other.whole.contains(one.element))
      .filter((other) => isInPlace(one) && isInPlace(other))
      .map((other) =>
        [one, other].map((each) => each.element.outerHTML.slice(0, 90)).join(' and '),
      ),
  );
  return {
    narrow: narrow
      .slice(0, 5)
      .map(({ element, box }) => `${sideOf(box)}: ${element.outerHTML.slice(0, 120)}`),
    covering: covering.slice(0, 5),
  };
}

/** Names of places and pages that cross others, and the one that is open when it is out of sight. */
export function wrongNames(): { readonly crossing: string[]; readonly beyond: string[] } {
  if (document.querySelector('[role=dialog]')) return { crossing: [], beyond: [] };
  const links = [...document.querySelectorAll('nav a')];
  const crossing = links.filter((link) => link.scrollWidth > link.clientWidth + 1);
  const beyond = links.filter((link) => {
    const around = link.closest('nav')?.getBoundingClientRect();
    const { left, right } = link.getBoundingClientRect();
    const isOpen = link.getAttribute('aria-current') === 'page';
    return isOpen && around && (left < around.left - 1 || right > around.right + 1);
  });
  const namesOf = (all: readonly Element[]): string[] => all.map((link) => link.textContent ?? '');
  return { crossing: namesOf(crossing), beyond: namesOf(beyond) };
}

/** What the keyboard is on, when nothing shows that it is there. */
export function unseenFocus(): string {
  const on = document.activeElement;
  if (!on || on === document.body) return '';
  const shows = (element: Element | null): boolean => {
    if (!element) return false;
    const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(element);
    return (
      (outlineStyle !== 'none' && Number.parseFloat(outlineWidth) >= 2) || boxShadow !== 'none'
    );
  };
  const field = on.closest('.MuiOutlinedInput-root')?.querySelector('fieldset');
  const hasThickEdge = field
    ? Number.parseFloat(getComputedStyle(field).borderTopWidth) >= 2
    : false;
  const isSeen =
    shows(on) || shows(on.parentElement) || hasThickEdge || shows(on.closest('label, span'));
  return isSeen ? '' : on.outerHTML.slice(0, 160);
}
