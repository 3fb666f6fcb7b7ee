@extends('errors.layout')
@section('title', 'This page has been open too long')
@section('message', 'Load it again; what you typed is kept.')
