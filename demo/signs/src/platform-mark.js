/** The number of a platform, as a class that the page makes an element of by itself. */
export class PlatformMark extends HTMLElement {
  static observedAttributes = ['platform', 'closed'];

  connectedCallback() {
    this.addEventListener('click', this.point);
    this.draw();
  }

  attributeChangedCallback() {
    this.draw();
  }

  draw() {
    this.textContent = this.hasAttribute('closed') ? 'closed' : this.getAttribute('platform');
  }

  point() {
    this.dispatchEvent(new CustomEvent('pointed', { detail: this.getAttribute('platform'), bubbles: true }));
  }
}

customElements.define('platform-mark', PlatformMark);
