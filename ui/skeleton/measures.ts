'use client';

export const WIDTH = 206;

export const RAIL = 30;

export const LEFT_X = 38;

export const RIGHT_X = WIDTH - 38 - RAIL;
