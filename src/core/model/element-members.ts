import { isOfEveryElement, isPageAttribute } from './page-names';

/** Names of what every element of a page has, as the DOM and HTML standards list them; handlers in attributes left out. */
const MEMBERS = new Set(
  (
    'ATTRIBUTE_NODE CDATA_SECTION_NODE COMMENT_NODE DOCUMENT_FRAGMENT_NODE DOCUMENT_NODE ' +
    'DOCUMENT_POSITION_CONTAINED_BY DOCUMENT_POSITION_CONTAINS DOCUMENT_POSITION_DISCONNECTED ' +
    'DOCUMENT_POSITION_FOLLOWING DOCUMENT_POSITION_IMPLEMENTATION_SPECIFIC DOCUMENT_POSITION_PRECEDING ' +
    'DOCUMENT_TYPE_NODE ELEMENT_NODE ENTITY_NODE ENTITY_REFERENCE_NODE NOTATION_NODE ' +
    'PROCESSING_INSTRUCTION_NODE TEXT_NODE accessKey accessKeyLabel addEventListener after animate append ' +
    'appendChild ariaActiveDescendantElement ariaAtomic ariaAutoComplete ariaBrailleLabel ' +
    'ariaBrailleRoleDescription ariaBusy ariaChecked ariaColCount ariaColIndex ariaColIndexText ariaColSpan ' +
    'ariaControlsElements ariaCurrent ariaDescribedByElements ariaDescription ariaDetailsElements ' +
    'ariaDisabled ariaErrorMessageElements ariaExpanded ariaFlowToElements ariaHasPopup ariaHidden ' +
    'ariaInvalid ariaKeyShortcuts ariaLabel ariaLabelledByElements ariaLevel ariaLive ariaModal ariaMultiLine ' +
    'ariaMultiSelectable ariaOrientation ariaOwnsElements ariaPlaceholder ariaPosInSet ariaPressed ' +
    'ariaReadOnly ariaRelevant ariaRequired ariaRoleDescription ariaRowCount ariaRowIndex ariaRowIndexText ' +
    'ariaRowSpan ariaSelected ariaSetSize ariaSort ariaValueMax ariaValueMin ariaValueNow ariaValueText ' +
    'assignedSlot attachInternals attachShadow attributeStyleMap attributes autocapitalize autocorrect ' +
    'autofocus baseURI before blur checkVisibility childElementCount childNodes children classList className ' +
    'click clientHeight clientLeft clientTop clientWidth cloneNode closest compareDocumentPosition ' +
    'computedStyleMap contains contentEditable currentCSSZoom dataset dir dispatchEvent draggable ' +
    'enterKeyHint firstChild firstElementChild focus getAnimations getAttribute getAttributeNS ' +
    'getAttributeNames getAttributeNode getAttributeNodeNS getBoundingClientRect getClientRects ' +
    'getElementsByClassName getElementsByTagName getElementsByTagNameNS getHTML getRootNode hasAttribute ' +
    'hasAttributeNS hasAttributes hasChildNodes hasPointerCapture hidden hidePopover id inert innerHTML ' +
    'innerText inputMode insertAdjacentElement insertAdjacentHTML insertAdjacentText insertBefore isConnected ' +
    'isContentEditable isDefaultNamespace isEqualNode isSameNode lang lastChild lastElementChild localName ' +
    'lookupNamespaceURI lookupPrefix matches namespaceURI nextElementSibling nextSibling nodeName nodeType ' +
    'nodeValue nonce normalize offsetHeight offsetLeft offsetParent offsetTop offsetWidth outerHTML outerText ' +
    'ownerDocument parentElement parentNode part popover prefix prepend previousElementSibling ' +
    'previousSibling querySelector querySelectorAll releasePointerCapture remove removeAttribute ' +
    'removeAttributeNS removeAttributeNode removeChild removeEventListener replaceChild replaceChildren ' +
    'replaceWith requestFullscreen requestPointerLock role scroll scrollBy scrollHeight scrollIntoView ' +
    'scrollLeft scrollTo scrollTop scrollWidth setAttribute setAttributeNS setAttributeNode ' +
    'setAttributeNodeNS setHTMLUnsafe setPointerCapture shadowRoot showPopover slot spellcheck style tabIndex ' +
    'tagName textContent title toggleAttribute togglePopover translate webkitMatchesSelector ' +
    'writingSuggestions'
  ).split(' '),
);

export const isElementMember = (name: string): boolean => MEMBERS.has(name) || /^on[a-z]+$/.test(name);

/** Properties that only some elements have, in small letters, as the HTML standard lists them beside attributes of the name. */
const OF_SOME = new Set(
  (
    'abbr alink archive areas axis background behavior blocking buffered caption cellindex cellpadding cells ' +
    'cellspacing ch choff clear closedby code codebase codetype command commandfor commandforelement compact ' +
    'complete contentdocument contentwindow control ' +
    'currentsrc currenttime declare defaultchecked defaultmuted defaultplaybackrate defaultselected ' +
    'defaultvalue direction disablepictureinpicture disableremoteplayback duration elements encoding ended ' +
    'error event face fetchpriority files frame frameborder hash host hostname hspace htmlfor indeterminate ' +
    'index labels length link longdesc lowsrc marginheight marginwidth mediakeys naturalheight naturalwidth ' +
    'networkstate nohref noresize noshade nowrap options origin password pathname paused playbackrate played ' +
    'popovertargetaction popovertargetelement port preservespitch protocol readystate rellist remote ' +
    'returnvalue rev rowindex rules scheme scrollamount scrolldelay scrolling search sectionrowindex seekable ' +
    'seeking selectedindex selectedoptions selectiondirection selectionend selectionstart shadowrootclonable ' +
    'shadowrootdelegatesfocus shadowrootmode shadowrootserializable sheet sinkid srcobject standby tbodies ' +
    'textlength texttracks tfoot thead track truespeed username validationmessage validity valign valueasdate ' +
    'valueasnumber valuetype version videoheight videowidth vlink volume vspace webkitdirectory webkitentries ' +
    'willvalidate'
  ).split(' '),
);

/** What code or markup may set of some element of the page. */
export const isElementProperty = (name: string): boolean =>
  isElementMember(name) || isPageAttribute(name) || isOfEveryElement(name) || OF_SOME.has(name.toLowerCase());
