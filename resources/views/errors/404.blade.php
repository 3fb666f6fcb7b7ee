@extends('errors.layout')
@section('title', 'There is nothing at this address')
@section('message', 'It may have been moved, or it is not yours to see.')
