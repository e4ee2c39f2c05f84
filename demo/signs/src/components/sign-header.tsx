import { Component, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-header', shadow: true })
export class SignHeader {
  @Prop() station!: string;
  /** The number of the line. */
  @Prop() line = 1;
  @Prop() subtitle?: string;

  render() {
    return (
      <header>
        <slot name="badge" />
        <h1>{this.station}</h1>
        {this.subtitle && <p>{this.subtitle}</p>}
      </header>
    );
  }
}
