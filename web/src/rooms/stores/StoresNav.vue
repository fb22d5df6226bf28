<script setup lang="ts">
/** The rooms of the stores. */
</script>

<template>
  <nav class="tabs" aria-label="Stores">
    <RouterLink to="/stores" exact-active-class="here">Materials</RouterLink>
    <RouterLink to="/stores/hides" active-class="here">Hides and sheets</RouterLink>
  </nav>
</template>

<style scoped>
.tabs {
  margin-right: auto;
}
</style>
