import { Component } from '@angular/core';

/** Hung at the door of the old workshop. */
@Component({ selector: 'qr-crew-sign', template: `<p>Knock twice.</p>` })
export class CrewSign {}
