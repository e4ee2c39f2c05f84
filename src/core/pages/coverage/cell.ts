/** What is followed through which channel, language by language: each cell is held by a project that a test audits. */
import type { Language } from '../../model/facts';

export type Covered = Exclude<Language, 'script'>;

/** A small project, and where a strand of it leads. */
export interface Followed {
  /** By what code, in a few words. */
  by: string;
  files: Record<string, string>;
  from: string;
  to: string;
}

/** Nothing is said of it, and why. */
export interface Silent {
  silent: string;
}

/** The language has nothing of the kind. */
export interface Absent {
  absent: string;
}

export type Cell = Followed | Silent | Absent;

export interface Channel {
  name: string;
  /** The question that a strand through it answers. */
  asks: string;
  cells: Record<Covered, Cell>;
}

export const followed = (by: string, files: Record<string, string>, from: string, to: string): Followed => ({
  by,
  files,
  from,
  to,
});

export const silent = (why: string): Silent => ({ silent: why });
export const absent = (why: string): Absent => ({ absent: why });

/** A project of a framework of decorated classes, in one file. */
export const angular = (body: string): Record<string, string> => ({
  'app.ts': `import { Component, Directive, EventEmitter, inject, Injectable, InjectionToken, input, Input, model, Output, output, signal, viewChild } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
${body}`,
});

export const stencil = (body: string): Record<string, string> => ({
  'signs.tsx': `import { Component, Element, Event, EventEmitter, Host, Listen, Method, Prop, State, h } from '@stencil/core';
${body}`,
});

export const sheet = (body: string): Record<string, string> => ({ 'plan.rope.yaml': body });

/** A page with one element, whose class is its own. */
export const page = (body: string, members: string): Record<string, string> => ({
  'gauge.js': `class WindGauge extends HTMLElement {\n${members}\n}\ncustomElements.define('wind-gauge', WindGauge);\n`,
  'index.html': `<!doctype html><body>\n${body}\n</body>`,
});
