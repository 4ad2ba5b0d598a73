<template>
  <main class="page">
    <h1>There is nothing at this address.</h1>
    <p><router-link to="/">To the shelf</router-link></p>
  </main>
</template>

<style scoped>
.page {
  padding: 60px;
}
</style>
