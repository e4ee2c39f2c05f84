import { Component, h, State, Watch } from '@stencil/core';

/** The signs that wait in the depot to be hung. */
@Component({ tag: 'sign-depot', shadow: true })
export class SignDepot {
  @State() wide = true;
  @State() chimed = 0;
  @State() open = false;

  private tower?: HTMLSignTowerElement;
  private spare?: HTMLSignTowerElement;
  private shelf!: HTMLElement;

  @Watch('wdie')
  turned() {
    this.chimed = 0;
  }

  private reset() {
    this.chimed = 0;
  }

  private look = () => {
    this.tower?.shadowRoot?.querySelector('p')?.scrollIntoView();
    this.open = !this.open;
  };

  render() {
    return (
      <main>
        <p ref={(element) => (this.shelf = element!)}>{this.shelf.offsetWidth}</p>
        <sign-tower ref={(element) => (this.tower = element)} onTowerRung={() => this.chimed++} />
        <sign-tower ref={(element) => (this.spare = element)} />
        <sign-chimes onChimed={(event) => (this.chimed = event.detail)} />
        <sign-dial value={2} />
        <sign-dial value={this.chimed} onValueChange={(event) => (this.chimed = event.detail)} />
        <sign-tile colour="slate" done={() => this.reset()} />
        <sign-tile colour="slate" />
        <sign-tile colour="slate" onClick={this.reset()} />
        {this.wide ? (
          <aside>
            <sign-notes />
          </aside>
        ) : (
          <sign-notes />
        )}
        <button onClick={() => (this.wide = !this.wide)}>Turn</button>
        <button onClick={this.look}>{this.open ? 'Shut' : 'Open'}</button>
      </main>
    );
  }
}
