/** What is said to people, without the words of a language. */
package rovek.core.wording;
