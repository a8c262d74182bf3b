import { describe, expect, it } from 'vitest';
import { outlines } from '../parts/index.ts';
import { findActiveContent } from './activeContent.ts';

const svg = (inside: string, attributes = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10" ${attributes}>${inside}</svg>`;

describe('a drawing that could act', () => {
  it.each([
    ['a script', svg('<script>alert(1)</script>')],
    ['a script with a prefix', svg('<svg:script>alert(1)</svg:script>')],
    ['an event', svg('<path d="M0 0" onclick="x()"/>')],
    ['an event right behind a quote', svg('<path d="M0 0"onload="x()"/>')],
    ['a script link, coded', svg('<a href="&#106;avascript:alert(1)"><path d="M0 0"/></a>')],
    ['a script link, coded twice', svg('<a href="&amp;#x6a;avascript:alert(1)"><path d="M0 0"/></a>')],
    ['a script link, broken up', svg('<a href="java\nscript:alert(1)"><path d="M0 0"/></a>')],
    ['a script link behind a control character', svg('<a href="java\u0001script:x"/>')],
    ['a link to elsewhere', svg('<image href="https://page.example/a.png"/>')],
    ['a link without quotes', svg('<image href=//page.example/a.png />')],
    ['a link by a style', svg('<path style="fill:url(https://page.example/a)"/>')],
    ['a link by a coded style', svg('<path style="fill:u\\72l(https://page.example/a)"/>')],
    ['a style from elsewhere', svg('<style>@import "a.css";</style>')],
    ['a style sheet', `<?xml-stylesheet href="a.css"?>${svg('')}`],
    ['an entity', `<!DOCTYPE svg [<!ENTITY a "b">]>${svg('&a;')}`],
    ['foreign content', svg('<foreignObject><p>hello</p></foreignObject>')],
    ['a page in a link', svg('<a href="data:text/html,hello"/>')],
    ['a link that moves', svg('<set attributeName="href" to="#a"/>')],
  ])('%s is refused, with what to do', (_what, text) => {
    expect(findActiveContent(text)).toMatch(/^the drawing holds .*save it as a plain SVG/);
  });

  it.each([
    ['shapes', svg('<g fill="#123456"><path d="M0 0 L5 5"/><circle r="2"/></g>')],
    ['shades of its own', svg('<linearGradient id="a"/><path fill="url(#a)" style="stroke:url(\'#a\')"/>')],
    ['a part used again', svg('<path id="a" d="M0 0"/><use href="#a"/><use xlink:href="#a"/>')],
    ['a picture within it', svg('<image href="data:image/png;base64,AAAA"/>')],
    ['words about one', svg('<title>Contour &amp; seams: on the left, 3 &lt; 4</title><path d="M0 0"/>')],
    ['a plain document type', `<!DOCTYPE svg PUBLIC "a" "b">${svg('<path d="M0 0"/>')}`],
  ])('%s: only a drawing', (_what, text) => {
    expect(findActiveContent(text)).toBeUndefined();
  });

  it('no outline that ships is one', () => {
    for (const outline of outlines) expect(findActiveContent(svg(JSON.stringify(outline)))).toBeUndefined();
  });
});
