import { Component, h, State } from '@stencil/core';

@Component({ tag: 'sign-notes', shadow: true })
export class SignNotes {
  @State() text = '';

  render() {
    return (
      <div>
        <textarea onInput={(event) => (this.text = (event.target as HTMLTextAreaElement).value)}>{this.text}</textarea>
        <sign-frame onChimed={() => (this.text = 'rung')} />
      </div>
    );
  }
}
