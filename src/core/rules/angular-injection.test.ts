/** Angular: how far who asks for something looks, what providers need themselves, and what routes have around them. */
import { describe } from 'vitest';
import { ANGULAR_MOUNT, casesFor, type Sources } from './testing';
import { angularApp, angularComponent as comp } from './classes-testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

const MORE = `import { forwardRef, Inject, Optional, Self, SkipSelf } from '@angular/core'; import { Routes, RouterOutlet, provideRouter } from '@angular/router';`;
const one = (...parts: string[]) => angularApp(MORE, ...parts);
const UNIT = `@Injectable() export class Unit { x = 1; }`;
const app = (template: string, settings = '', members = '') =>
  comp('App', 'app', template, members, settings);
const kid = (asks: string, settings = '') => comp('Kid', 'kid', '{{ u.x }}', `u = ${asks};`, settings);
const IN_KID = 'imports: [Kid],';

describe('how far it looks', () => {
  const self = kid('inject(Unit, { self: true })');
  const above = (settings = '') => kid('inject(Unit, { skipSelf: true })', settings);
  const LACKS = (line: number, asks: string) => [`error context/no-provider app.ts:${line} ${asks}`];
  cases(/no-provider/, [
    [
      'on its own tag alone, and it is further up',
      one(UNIT, self, app('<kid/>', `${IN_KID} providers: [Unit],`)),
      LACKS(7, 'inject(Unit, { self: true })'),
    ],
    [
      'on its own tag, by itself',
      one(UNIT, kid('inject(Unit, { self: true })', 'providers: [Unit],'), app('<kid/>', IN_KID)),
      [],
    ],
    [
      'on its own tag, by what stands there, too',
      one(
        UNIT,
        self,
        `@Directive({ selector: '[unit]', providers: [Unit] }) export class Units {}`,
        app('<kid unit/>', 'imports: [Kid, Units],'),
      ),
      [],
    ],
    [
      'on some of the tags',
      one(
        UNIT,
        self,
        `@Directive({ selector: '[unit]', providers: [Unit] }) export class Units {}`,
        app('<kid unit/><kid/>', 'imports: [Kid, Units],'),
      ),
      ['warning context/no-provider app.ts:7 inject(Unit, { self: true })'],
    ],
    [
      'further up, and it is on its own tag',
      one(UNIT, above('providers: [Unit],'), app('<kid/>', IN_KID)),
      LACKS(7, 'inject(Unit, { skipSelf: true })'),
    ],
    ['further up', one(UNIT, above('providers: [Unit],'), app('<kid/>', `${IN_KID} providers: [Unit],`)), []],
    [
      'further up, for all',
      {
        ...one(UNIT, above('providers: [Unit],'), app('<kid/>', IN_KID)),
        'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App, Unit } from './app'; bootstrapApplication(App, { providers: [Unit] });`,
      },
      [],
    ],
    [
      'by a decorator',
      one(
        UNIT,
        comp('Kid', 'kid', '{{ u.x }}', 'constructor(@Self() private u: Unit) {}'),
        app('<kid/>', `${IN_KID} providers: [Unit],`),
      ),
      LACKS(7, 'u: Unit'),
    ],
    [
      'if it is there',
      one(
        UNIT,
        comp('Kid', 'kid', '{{ u?.x }}', 'constructor(@Optional() @Self() private u: Unit | null) {}'),
        app('<kid/>', IN_KID),
      ),
      [],
    ],
  ]);
});

describe('what providers need', () => {
  const A = `@Injectable() export class A { x = 1; }`;
  const B = `@Injectable() export class B extends A { }`;
  const asks = (provide: string) => one(A, B, app('{{ a.x }}', `providers: [${provide}],`, 'a = inject(A);'));
  cases(/no-provider/, [
    ['another name of what is there', asks('B, { provide: A, useExisting: B }'), []],
    [
      'another name of what is not there',
      asks('{ provide: A, useExisting: B }'),
      ['error context/no-provider app.ts:5 B'],
    ],
    [
      'another name of the component itself',
      one(
        A,
        app(
          '{{ a.x }}',
          'providers: [{ provide: A, useExisting: forwardRef(() => App) }],',
          'x = 1; a = inject(A, { optional: true });',
        ),
      ),
      [],
    ],
    ['made of what is there', asks('B, { provide: A, useFactory: (b: B) => b, deps: [B] }'), []],
    [
      'made of what is not there',
      asks('{ provide: A, useFactory: (b: B) => b, deps: [B] }'),
      ['error context/no-provider app.ts:5 B'],
    ],
    [
      'made of what may be there',
      asks('{ provide: A, useFactory: (b: B) => b ?? new B(), deps: [[new Optional(), B]] }'),
      [],
    ],
    [
      'of a class that is written further down',
      one(
        app(
          '{{ a.x }}',
          'providers: [forwardRef(() => A)],',
          'constructor(@Inject(forwardRef(() => A)) readonly a: A) {}',
        ),
        A,
      ),
      [],
    ],
  ]);
});

describe('below routes', () => {
  const DEEP = comp('Deep', 'deep', '{{ u.x }}', 'u = inject(Unit);');
  const LACKS = ['error context/no-provider app.ts:7 inject(Unit)'];
  const HERE = 'imports: [RouterOutlet],';
  const layout = (settings = '') => comp('Lay', 'lay', '<router-outlet/>', '', `${HERE} ${settings}`);
  const routes = (table: string) => `export const routes: Routes = [${table}];`;
  const start = (more = '') => `export const config = { providers: [provideRouter(routes)${more}] };`;
  const MAIN: Sources = {
    'main.ts': `import { bootstrapApplication } from '@angular/platform-browser';
import { App, config } from './app';
bootstrapApplication(App, config);`,
  };
  const routed = (...parts: string[]): Sources => ({ ...MAIN, ...one(UNIT, DEEP, ...parts) });
  const room = (settings = '') => app('<router-outlet/>', `${HERE} ${settings}`);
  const FLAT = routes("{ path: '', component: Deep }");
  const NESTED = routes("{ path: '', component: Lay, children: [{ path: '', component: Deep }] }");
  const lazy = (how: string, more = '') =>
    routes(`{ path: '', ${more} loadChildren: () => import('./kid.routes')${how} }`);
  const NAMED: Sources = {
    'kid.routes.ts': `import { Routes } from '@angular/router'; import { Deep } from './app';\nexport const KIDS: Routes = [{ path: '', component: Deep }];`,
  };
  const BARE: Sources = {
    'kid.routes.ts': `import { Routes } from '@angular/router'; import { Deep } from './app';\nexport default [{ path: '', component: Deep }] as Routes;`,
  };
  cases(/no-provider/, [
    ['nothing', routed(FLAT, room(), start()), LACKS],
    ['the root', routed(FLAT, room('providers: [Unit],'), start()), []],
    ['the settings of the app', routed(FLAT, room(), start(', Unit')), []],
    ['the route', routed(routes("{ path: '', component: Deep, providers: [Unit] }"), room(), start()), []],
    [
      'a route around it',
      routed(
        layout(),
        routes(
          "{ path: '', providers: [Unit], children: [{ path: 'x', component: Lay, children: [{ path: '', component: Deep }] }] }",
        ),
        room(),
        start(),
      ),
      [],
    ],
    ['the layout around it', routed(layout('providers: [Unit],'), NESTED, room(), start()), []],
    ['a layout that does not', routed(layout(), NESTED, room(), start()), LACKS],
    [
      'what stands around the outlet',
      routed(
        FLAT,
        comp('Shell', 'shell', '<ng-content/>', '', 'providers: [Unit],'),
        app('<shell><router-outlet/></shell>', 'imports: [RouterOutlet, Shell],'),
        start(),
      ),
      [],
    ],
    [
      'a component with the outlet, further down',
      routed(layout('providers: [Unit],'), FLAT, app('<lay/>', 'imports: [Lay],'), start()),
      [],
    ],
    [
      'nothing, with the outlet further down',
      routed(layout(), FLAT, app('<lay/>', 'imports: [Lay],'), start()),
      LACKS,
    ],
    [
      'nobody sees, where the outlet is in a component of a package',
      routed(
        FLAT,
        `import { Shell } from '@rope/shell';`,
        app('<rope-shell/>', 'imports: [Shell],'),
        start(),
      ),
      [],
    ],
    [
      'nothing, in a table that is loaded',
      { ...routed(lazy('.then((m) => m.KIDS)'), room(), start()), ...NAMED },
      LACKS,
    ],
    ['nothing, in one that its file hands out', { ...routed(lazy(''), room(), start()), ...BARE }, LACKS],
    [
      'the route that loads the table',
      {
        ...routed(lazy('.then((m) => m.KIDS)', 'providers: [Unit],'), room(), start()),
        ...NAMED,
      },
      [],
    ],
    [
      'the layout of the route that loads the table',
      {
        ...routed(
          layout('providers: [Unit],'),
          lazy('.then((m) => m.KIDS)', 'component: Lay,'),
          room(),
          start(),
        ),
        ...NAMED,
      },
      [],
    ],
    [
      'nothing, in a table that is spread into another',
      { ...routed(`import { KIDS } from './kid.routes';`, routes('...KIDS'), room(), start()), ...NAMED },
      LACKS,
    ],
    [
      'nothing, in a table that is the children of a route',
      {
        ...routed(
          layout(),
          `import { KIDS } from './kid.routes';`,
          routes("{ path: '', component: Lay, children: KIDS }"),
          room(),
          start(),
        ),
        ...NAMED,
      },
      LACKS,
    ],
    [
      'nothing, in a table that is written where the router is made',
      {
        ...one(UNIT, DEEP, room()),
        'main.ts': `import { bootstrapApplication } from '@angular/platform-browser';
import { provideRouter } from '@angular/router';
import { App, Deep } from './app';
bootstrapApplication(App, { providers: [provideRouter([{ path: '', component: Deep }])] });`,
      },
      LACKS,
    ],
  ]);

  const older = (providers: string, route: string): Sources => ({
    'main.ts': `import { platformBrowserDynamic } from '@angular/platform-browser-dynamic';
import { AppModule } from './app';
platformBrowserDynamic().bootstrapModule(AppModule);`,
    ...one(
      `import { RouterModule } from '@angular/router'; import { BrowserModule } from '@angular/platform-browser';`,
      UNIT,
      comp('App', 'app', '<router-outlet></router-outlet>', '', 'standalone: false,'),
      routes(route),
      `@NgModule({ declarations: [App], imports: [BrowserModule, RouterModule.forRoot(routes)], providers: [${providers}], bootstrap: [App] }) export class AppModule {}`,
    ),
  });
  const KID = "{ path: 'k', loadChildren: () => import('./kid.module').then((m) => m.KidModule) }";
  const bundle = (providers: string): Sources => ({
    'kid.module.ts': `import { NgModule, Component } from '@angular/core'; import { RouterModule } from '@angular/router'; import { Unit } from './app';
@Component({ selector: 'kid', standalone: false, template: '{{ u.x }}' }) export class Kid { constructor(public u: Unit) {} }
const routes = [{ path: '', component: Kid }];
@NgModule({ imports: [RouterModule.forChild(routes)], exports: [RouterModule] }) export class KidRoutingModule {}
@NgModule({ declarations: [Kid], imports: [KidRoutingModule], providers: [${providers}] }) export class KidModule {}`,
  });
  cases(/no-provider/, [
    [
      'nothing, in the table of a module that is loaded',
      { ...older('', KID), ...bundle('') },
      ['error context/no-provider kid.module.ts:2 u: Unit'],
    ],
    ['the module of the app', { ...older('Unit', KID), ...bundle('') }, []],
    ['the module that is loaded', { ...older('', KID), ...bundle('Unit') }, []],
  ]);
});
