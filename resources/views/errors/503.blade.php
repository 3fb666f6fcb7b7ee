@extends('errors.layout')
@section('title', 'Not here for a moment')
@section('message', $exception->getMessage() !== '' && $exception->getMessage() !== 'Service Unavailable' ? $exception->getMessage() : 'Wide Quarry is being brought up to date. Try again in a minute.')
