/// What goes wrong at a business, made to happen on purpose, so that somebody can practise on it. Start with Deeds.
package standins.practice;
