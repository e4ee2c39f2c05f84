import { Component, h, Method, State } from '@stencil/core';

@Component({ tag: 'sign-clock', shadow: true })
export class SignClock {
  @State() offset = 0;

  @Method() async synchronise() {
    this.offset = 0;
  }

  @Method() async wind() {
    this.offset += 1;
  }

  render() {
    return <time>{this.offset}</time>;
  }
}
