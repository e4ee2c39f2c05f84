import { Component, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-notice', shadow: true })
export class SignNotice {
  @Prop() text!: string;

  render() {
    return <p>{this.text}</p>;
  }
}
