import { mount } from 'svelte';
import Board from './Board.svelte';

mount(Board, { target: document.getElementById('board')! });
