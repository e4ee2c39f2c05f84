/** Names that the page itself knows: HTML elements, their attributes and events, as the HTML and UI Events specifications list them. */

const EVENTS = new Set(
  (
    'abort animationcancel animationend animationiteration animationstart auxclick beforeinput beforetoggle blur cancel ' +
    'canplay canplaythrough change click close compositionend compositionstart compositionupdate contextmenu copy ' +
    'cuechange cut dblclick drag dragend dragenter dragleave dragover dragstart drop durationchange emptied ended error ' +
    'focus focusin focusout formdata fullscreenchange fullscreenerror gotpointercapture input invalid keydown keypress ' +
    'keyup load loadeddata loadedmetadata loadstart lostpointercapture mousedown mouseenter mouseleave mousemove ' +
    'mouseout mouseover mouseup mousewheel paste pause play playing pointercancel pointerdown pointerenter pointerleave ' +
    'pointermove pointerout pointerover pointerrawupdate pointerup progress ratechange reset resize scroll scrollend ' +
    'search securitypolicyviolation seeked seeking select selectionchange selectstart show slotchange stalled submit ' +
    'suspend timeupdate toggle touchcancel touchend touchmove touchstart transitioncancel transitionend transitionrun ' +
    'transitionstart volumechange waiting wheel'
  ).split(' '),
);

const ATTRIBUTES = new Set(
  (
    'accept acceptcharset accesskey action align allow allowfullscreen alt as async autocapitalize autocomplete autofocus ' +
    'autoplay bgcolor border capture charset checked cite class color cols colspan content contenteditable controls coords ' +
    'crossorigin data datetime decoding default defer dir dirname disabled download draggable enctype enterkeyhint for form ' +
    'formaction formenctype formmethod formnovalidate formtarget headers height hidden high href hreflang httpequiv id ' +
    'imagesizes imagesrcset inert innerhtml innertext inputmode integrity is ismap itemid itemprop itemref itemscope itemtype ' +
    'kind label lang list loading loop low max maxlength media method min minlength multiple muted name nomodule nonce ' +
    'novalidate open optimum part pattern ping placeholder playsinline popover poster preload readonly referrerpolicy rel ' +
    'required reversed role rows rowspan sandbox scope selected shape size sizes slot span spellcheck src srcdoc srclang ' +
    'srcset start step style summary tabindex target textcontent title translate type usemap value width wrap ' +
    'fill stroke viewbox xmlns d x y cx cy r rx ry transform opacity key ref'
  ).split(' '),
);

/** Events of the page that bubble from an element up to those around it. */
const BUBBLES = new Set(
  (
    'auxclick beforeinput change click compositionend compositionstart compositionupdate contextmenu copy cut dblclick ' +
    'drag dragend dragenter dragleave dragover dragstart drop focusin focusout input keydown keypress keyup mousedown ' +
    'mousemove mouseout mouseover mouseup paste pointercancel pointerdown pointermove pointerout pointerover pointerup ' +
    'reset select submit touchcancel touchend touchmove touchstart wheel'
  ).split(' '),
);

const TAGS = new Set(
  (
    'a abbr address area article aside audio b base bdi bdo blockquote body br button canvas caption cite code col ' +
    'colgroup data datalist dd del details dfn dialog div dl dt em embed fieldset figcaption figure footer form h1 h2 h3 ' +
    'h4 h5 h6 head header hgroup hr html i iframe img input ins kbd label legend li link main map mark menu meta meter ' +
    'nav noscript object ol optgroup option output p picture pre progress q rp rt ruby s samp script search section ' +
    'select slot small source span strong style sub summary sup svg table tbody td template textarea tfoot th thead time ' +
    'title tr track u ul var video wbr'
  ).split(' '),
);

/** Whether an element of the page has this name. */
export const isPageTag = (name: string): boolean => TAGS.has(name);

/** An event that an element raises, or a hook of a framework's own. */
export const isPageEvent = (port: string): boolean => {
  const name = port.replace(/^@/, '').replace(/(Capture|Passive|Once)+$/, '');
  return EVENTS.has(name.toLowerCase()) || /^(vue|hook|vnode)\b|^(?!update:).*:/.test(name);
};

/** An event that an element raises and that those around it hear, too. */
export const bubbles = (port: string): boolean => BUBBLES.has(port.replace(/^@/, ''));

/** Of these events, only elements that one fills in are the source. */
const OF_FORMS = new Set(['change', 'input', 'select', 'submit', 'reset', 'invalid', 'beforeinput']);
const FORM_TAGS = new Set(['input', 'select', 'textarea', 'form', 'details', 'dialog']);

/** Whether an element of this name may raise the event. */
export const mayRaise = (tag: string, port: string): boolean =>
  !OF_FORMS.has(port.replace(/^@/, '')) || FORM_TAGS.has(tag);

/** An attribute that elements know. */
export const isPageAttribute = (name: string): boolean =>
  ATTRIBUTES.has(name.replace(/-/g, '').toLowerCase()) ||
  (name.startsWith('on') && EVENTS.has(name.slice(2).replace(/-/g, '').toLowerCase()));

/** What every element has, whatever its name, as the DOM and HTML specifications list it. */
const OF_ELEMENTS = new Set(
  (
    'accesskey ariadescription arialabel autocapitalize autocorrect autofocus class classlist classname ' +
    'contenteditable dataset dir draggable elementtiming enterkeyhint exportparts hidden id inert innerhtml innertext ' +
    'inputmode is itemid itemprop itemref itemscope itemtype lang nonce outerhtml outertext part popover prefix role ' +
    'scrollleft scrolltop slot spellcheck style tabindex textcontent title translate virtualkeyboardpolicy ' +
    'writingsuggestions'
  ).split(' '),
);

/** A property or attribute that an element of any name has. */
export const isOfEveryElement = (name: string): boolean =>
  OF_ELEMENTS.has(name.replace(/-/g, '').toLowerCase()) ||
  (name.startsWith('on') && EVENTS.has(name.slice(2).replace(/-/g, '').toLowerCase()));

/** Names that code in a page may use without declaring them, besides those of the language. */
const GLOBALS = new Set(
  (
    'window self top parent frames document navigator location history screen localStorage sessionStorage indexedDB ' +
    'customElements visualViewport caches cookieStore crypto performance origin name status length closed opener ' +
    'innerWidth innerHeight outerWidth outerHeight scrollX scrollY pageXOffset pageYOffset screenX screenY ' +
    'devicePixelRatio event external menubar toolbar alert confirm prompt print open close stop focus blur find ' +
    'scroll scrollTo scrollBy moveTo moveBy resizeTo resizeBy getComputedStyle getSelection matchMedia ' +
    'requestAnimationFrame cancelAnimationFrame requestIdleCallback cancelIdleCallback postMessage'
  ).split(' '),
);

/** A name of the page's own, such as its window has; interfaces of the page are written with a capital. */
export const isPageGlobal = (name: string): boolean =>
  GLOBALS.has(name) || /^(?:HTML|SVG|CSS|Media|Web|IDB|RTC)\w*$/.test(name) || isPageAttribute(name);
