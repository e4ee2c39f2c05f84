import { Injectable, Pipe, type PipeTransform, signal } from '@angular/core';

export interface Part {
  name: string;
  left: number;
}

/** When the store room is open, for whoever asks. */
@Injectable({ providedIn: 'root' })
export class StoreHours {
  readonly shift = signal('day');
}

/** Where things lie in one room. */
@Injectable()
export class ShelfPlan {
  readonly shelves = signal(['Grips', 'Sheaves']);
}

@Pipe({ name: 'qrPieces' })
export class Pieces implements PipeTransform {
  transform(left: number): string {
    return left === 1 ? 'one piece' : `${left} pieces`;
  }
}
