/** Element names of the HTML standard (living standard, index of elements) and of SVG 2. */
const HTML =
  'a abbr address area article aside audio b base bdi bdo blockquote body br button canvas caption cite code col ' +
  'colgroup data datalist dd del details dfn dialog div dl dt em embed fieldset figcaption figure footer form h1 ' +
  'h2 h3 h4 h5 h6 head header hgroup hr html i iframe img input ins kbd label legend li link main map mark menu ' +
  'meta meter nav noscript object ol optgroup option output p picture pre progress q rp rt ruby s samp script ' +
  'search section select slot small source span strong style sub summary sup table tbody td template textarea ' +
  'tfoot th thead time title tr track u ul var video wbr';
const SVG =
  'animate animateMotion animateTransform circle clipPath defs desc ellipse feBlend feColorMatrix ' +
  'feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight ' +
  'feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode feMorphology ' +
  'feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence filter foreignObject g image line ' +
  'linearGradient marker mask metadata mpath path pattern polygon polyline radialGradient rect set stop svg ' +
  'switch symbol text textPath tspan use view';

const NAMES = new Set(`${HTML} ${SVG}`.split(' '));

/** Whether a tag of this name is an element of HTML or SVG. */
export const isElementName = (name: string): boolean => NAMES.has(name);
