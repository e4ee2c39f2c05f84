/** For tests of languages whose components are classes: sources of a few lines, at lines that are easy to count. */
import type { Sources } from './testing';

/** What a framework's package gives, on the first line. */
const importOf = (names: string, from: string): string => `import { ${names} } from '${from}';`;

const ANGULAR_CORE = [
  importOf(
    'Component, Directive, Pipe, NgModule, Injectable, InjectionToken, EnvironmentInjector, Input, Output, EventEmitter, ViewChild, ViewChildren, ContentChild, ContentChildren, QueryList, ElementRef, TemplateRef, HostListener, inject, input, model, output, signal, computed, effect, linkedSignal, booleanAttribute, viewChild, contentChild, createComponent',
    '@angular/core',
  ),
  importOf('NgIf, NgFor, NgTemplateOutlet', '@angular/common'),
  importOf('Subject', 'rxjs'),
].join(' ');

/** A component of Angular: the template on its second line, its members from the fourth. */
export const angularComponent = (
  name: string,
  selector: string,
  template: string,
  members = '',
  settings = '',
): string =>
  `@Component({ selector: '${selector}', ${settings}\n template: \`${template}\` })\nexport class ${name} {\n${members}\n}`;

/** All of them in the file of the app, from the second line. */
export const angularApp = (...parts: string[]): Sources => ({
  'app.ts': [ANGULAR_CORE, ...parts].join('\n'),
});

const ELEMENT_CORE = importOf(
  'Component, Element, Event, EventEmitter, FunctionalComponent, Fragment, Host, Listen, Method, Prop, State, Watch, h',
  '@stencil/core',
);

/** A page with the element of the app, in a package of its own. */
export const ELEMENT_MOUNT: Sources = {
  'index.html': '<!doctype html><sign-app></sign-app>',
  'package.json': '{ "name": "signs", "private": true, "devDependencies": { "@stencil/core": "^4.22.0" } }',
};

/** A class that becomes an element: its members from the third line, what it draws on the line after them. */
export const elementClass = (
  name: string,
  tag: string,
  members: string,
  markup: string,
  settings = 'shadow: true',
): string =>
  `@Component({ tag: '${tag}', ${settings} })\nexport class ${name} {\n${members}\nrender() { return ${markup}; }\n}`;

export const elementApp = (...parts: string[]): Sources => ({
  'app.tsx': [ELEMENT_CORE, ...parts].join('\n'),
});

/** What puts the app of Razor components on the page. */
export const RAZOR_MOUNT: Sources = {
  'Program.cs': 'var builder = Host.CreateDefault(args);\nbuilder.RootComponents.Add<App>("#app");\n',
};

/** The code of a Razor component, behind markup of one line: members from the third. */
export const razorCode = (members: string): string => `\n@code {\n${members}\n}\n`;
