import { Component, Event, EventEmitter, h, Prop, State } from '@stencil/core';

@Component({ tag: 'sign-tile', shadow: true })
export class SignTile {
  @Prop() colour?: string;
  @Prop() done?: () => void;
  @Prop() lit = false;
  @State() open = false;
  @Event() click!: EventEmitter<string>;

  lit() {
    return this.open;
  }

  private press = () => {
    this.open = !this.open;
    this.done();
    this.click.emit('tile');
  };

  render() {
    return (
      <div class={this.colour} onClick={this.press}>
        <slot name="corner" />
        {this.lit && this.open}
      </div>
    );
  }
}
