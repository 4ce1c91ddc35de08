"""The book of phrases: every sentence of the core, the services and the papers, and the words for times in them."""
