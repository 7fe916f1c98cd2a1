import type { Plugin } from 'vite';
import { cssVariables, dark, light, SANS, type Palette } from './src/shell/theme/tokens';

const colours = (palette: Palette): string =>
  Object.entries(cssVariables(palette))
    .map((each) => each.join(':'))
    .join(';');

/** The same places and sizes as `Shell` and `Spine` have once they are here. */
const STYLE = `
.frame{${colours(light)};display:grid;grid-template:'spine rail' 56px 'spine page' 1fr/auto 1fr;height:100dvh;background:var(--paper)}
@media (prefers-color-scheme:dark){html:not([data-frame~=light]) .frame{${colours(dark)}}}
html[data-frame~=dark] .frame{${colours(dark)}}
.frame::before{content:'';grid-area:rail;background:var(--sheet);border-bottom:1px solid var(--line)}
.frame>:not(b){grid-area:page}
.frame>b{grid-area:spine;box-sizing:border-box;width:208px;padding:10px 20px;background:var(--sheet);border-inline-end:1px solid var(--line);color:var(--primary);font:700 16px/1.15 ${SANS}}
html[data-frame~=narrow] .frame>b{width:72px;font-size:0}
@media (max-width:1099px){.frame>b{width:72px;font-size:0}}
@media (max-width:599px){
.frame{grid-template:'rail' 56px 'page' 1fr 'spine' 65px/1fr}
.frame>b,html[data-frame~=narrow] .frame>b{width:auto;border-inline-end:0;border-top:1px solid var(--line)}
}
@media print{.frame{display:none}}`;

/** What stands in the page until its code is here: where the menu and the time rail will be. */
export function frame(): Plugin {
  return {
    name: 'frame',
    transformIndexHtml: {
      order: 'pre',
      handler: (html) => ({
        html: html.replace(
          '<div id="root">',
          '<div id="root"><div class="frame"><b>Calm Tray</b></div>',
        ),
        tags: [{ tag: 'style', children: STYLE.replaceAll('\n', ''), injectTo: 'head' }],
      }),
    },
  };
}
