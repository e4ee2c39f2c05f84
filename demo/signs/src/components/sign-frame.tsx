import { Component, h } from '@stencil/core';

/** Takes two bells, and lets nobody know that they ring. */
@Component({ tag: 'sign-frame', shadow: true })
export class SignFrame {
  render() {
    return <sign-bell />;
  }
}
