import { Component, Event, EventEmitter, h, Prop, State } from '@stencil/core';

@Component({ tag: 'sign-lamp', shadow: true })
export class SignLamp {
  @Prop() colour: 'white' | 'amber' | 'red' = 'white';
  @Prop() level: 'low' | 'high' = 'low';
  @Prop() note?: string;
  @Event() lampDimmed!: EventEmitter<string>;

  @State() shown = this.colour;

  private dim = () => {
    this.level = 'low';
    this.lampDimmed.emit(1);
  };

  render() {
    return (
      <button class={`${this.shown} ${this.level}`} onClick={this.dim}>
        Lamp
      </button>
    );
  }
}
